import { Box, Flex } from '@chakra-ui/react';
import { boundsSchema, type Bounds } from '@retoque/contract';
import { useState } from 'react';
import { useChangeSite } from '../../api/queries';
import { Button } from '../../theme/Button';
import { Input } from '../../theme/Input';

/** Sets the widths up to which the medium and the narrow viewport's settings hold. */
export default function WidthsForm({ siteId, bounds, onDone }: { siteId: string; bounds: Bounds; onDone: () => void }) {
  const [typed, setTyped] = useState({ medium: String(bounds.medium), narrow: String(bounds.narrow) });
  const change = useChangeSite(siteId);
  const read = boundsSchema.safeParse({ medium: Number(typed.medium), narrow: Number(typed.narrow) });
  const problem = read.success ? change.error?.message : read.error.issues[0]?.message;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (!read.success) return;
        change.mutate({ bounds: { from: bounds, to: read.data } }, { onSuccess: onDone });
      }}
    >
      <Box color="ink2" fontSize="12.5px" mt="2px" mb="10px">
        What is set for a viewport holds up to its width, in pixels.
      </Box>
      {(['medium', 'narrow'] as const).map((name) => (
        <Flex key={name} asChild alignItems="center" gap="8px" mb="6px">
          <label>
            <Box as="span" width="64px">
              {name === 'medium' ? 'Medium' : 'Narrow'}
            </Box>
            <Input
              inputMode="numeric"
              aria-label={`${name === 'medium' ? 'Medium' : 'Narrow'}, up to`}
              value={typed[name]}
              onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
            />
          </label>
        </Flex>
      ))}
      {problem ? (
        <Box role="alert" color="short" fontSize="12.5px" mb="6px">
          {problem}
        </Box>
      ) : null}
      <Flex justifyContent="flex-end" mt="8px">
        <Button type="submit" variant="solid" size="s" disabled={!read.success || change.isPending}>
          Use these widths
        </Button>
      </Flex>
    </form>
  );
}
