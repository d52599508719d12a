import { Box, Flex } from '@chakra-ui/react';
import { partNamed, partsThatDiffer, takeParts, type Kind, type Look } from '@retoque/core';
import { useState } from 'react';
import { counted } from '../../shell/counted';
import { PopMenu } from '../../shell/PopMenu';
import { toggled } from '../../shell/toggled';
import { Button } from '../../theme/Button';

/** Some parts of another version, put into the one in hand. */
export function TakeParts({
  kind,
  name,
  look,
  from,
  onTake,
}: {
  kind: Kind;
  /** What the other version is called. */
  name: string;
  look: Look;
  from: Look;
  /** Keeps a look, as one step of this name. */
  onTake: (look: Look, step: string) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const parts = partsThatDiffer(look, from);
  const labelOf = (part: string): string => partNamed(kind, part)?.label ?? part;
  const taken = parts.filter((part) => chosen.has(part));
  return (
    <PopMenu
      title={`Take parts of ${name}`}
      width="280px"
      open={isOpen}
      onOpenChange={(next) => {
        setOpen(next);
        setChosen(new Set());
      }}
      trigger={
        <Button size="s" variant="quiet" disabled={!parts.length}>
          Take parts of it…
        </Button>
      }
    >
      <Box
        as="ul"
        aria-label="Parts that differ"
        css={{ listStyle: 'none', '& label': { display: 'flex', gap: '8px', padding: '3px 0' } }}
      >
        {parts.map((part) => (
          <li key={part}>
            <label>
              <input type="checkbox" checked={chosen.has(part)} onChange={() => setChosen(toggled(chosen, part))} />
              {labelOf(part)}
            </label>
          </li>
        ))}
      </Box>
      <Flex justifyContent="flex-end" mt="8px">
        <Button
          size="s"
          variant="solid"
          disabled={!taken.length}
          onClick={() => {
            onTake(takeParts(look, from, new Set(taken)), `${taken.map(labelOf).join(', ')} of ${name}`);
            setOpen(false);
          }}
        >
          Take {counted(taken.length, 'part')} into this version
        </Button>
      </Flex>
    </PopMenu>
  );
}
