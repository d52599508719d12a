import { Box, Flex } from '@chakra-ui/react';
import { isPartName, type SheetPart } from '@retoque/core';
import { useState } from 'react';
import { Button } from '../../theme/Button';
import { Input } from '../../theme/Input';

/** What a part is called, to be called otherwise. */
export default function PartName({
  part: { name, label, usual },
  taken,
  onRename,
  onLeave,
}: {
  part: SheetPart;
  taken: ReadonlySet<string>;
  onRename: (name: string | undefined) => void;
  onLeave: () => void;
}) {
  const [text, setText] = useState(label);
  const typed = text.trim();
  const problem = typed === label || typed === usual ? undefined : partNameProblem(typed, taken);
  return (
    <form
      aria-label={`What ${label} is called`}
      onSubmit={(event) => {
        event.preventDefault();
        if (!problem) onRename(typed === usual ? undefined : typed);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onLeave();
      }}
    >
      <Flex gap="6px" mt="4px" alignItems="center">
        <Input
          autoFocus
          aria-label={`Name of ${label}`}
          aria-invalid={problem !== undefined}
          value={text}
          onChange={(event) => setText(event.target.value)}
          onFocus={(event) => event.target.select()}
        />
        <Button type="submit" variant="solid" size="s" disabled={problem !== undefined}>
          Use it
        </Button>
        <Button type="button" variant="quiet" size="s" onClick={onLeave}>
          Leave it
        </Button>
      </Flex>
      <Box role={problem ? 'alert' : 'status'} color={problem ? 'short' : 'ink2'} fontSize="12px" mt="4px">
        {problem ?? (label === usual || name === usual ? '' : `Usually “${usual}”.`)}
      </Box>
    </form>
  );
}

/** Why a part cannot be called so. */
export function partNameProblem(name: string, taken: ReadonlySet<string>): string | undefined {
  if (!isPartName(name)) return 'A name has letters, digits, spaces and hyphens, at most 40.';
  return taken.has(name) ? 'There is a part of that name.' : undefined;
}
