import { Box, Flex } from '@chakra-ui/react';
import { columnNamed, STATE_COLUMNS } from '@retoque/core';
import { useState } from 'react';
import { Button } from '../../theme/Button';

const OFFERED = [
  'hover',
  'focus',
  'active',
  'visited',
  'current',
  'expanded',
  'filled',
  'checked',
  'invalid',
  'disabled',
] as const;
const LABELS: Readonly<Partial<Record<(typeof OFFERED)[number], string>>> = { active: 'Pressed' };
const labelOf = (name: (typeof OFFERED)[number]): string =>
  LABELS[name] ?? STATE_COLUMNS[name as keyof typeof STATE_COLUMNS]?.label ?? name;
const wordOf = (name: string) => (name === 'focus' ? 'focus-visible' : name);

/** The states to choose from, and the columns that were added of them. */
export default function StateChoices({
  added,
  known,
  onChange,
  onDone,
}: {
  added: readonly string[];
  /** Names of the columns there are. */
  known: readonly string[];
  onChange: (added: readonly string[]) => void;
  onDone: () => void;
}) {
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const column = chosen.length ? columnNamed(chosen.map(wordOf).join('+')) : undefined;
  const exists = column !== undefined && known.includes(column.name);
  return (
    <>
      <Box mt="6px">
        {OFFERED.map((name) => (
          <Flex asChild key={name} gap="8px" alignItems="center" padding="2px 0" cursor="pointer">
            <label>
              <input
                type="checkbox"
                checked={chosen.includes(name)}
                onChange={(event) =>
                  setChosen(event.target.checked ? [...chosen, name] : chosen.filter((other) => other !== name))
                }
              />
              {labelOf(name)}
            </label>
          </Flex>
        ))}
      </Box>
      {exists ? (
        <Box color="ink2" fontSize="12.5px" mt="6px">
          There is a column for {column.label.toLowerCase()}.
        </Box>
      ) : null}
      <Flex justifyContent="flex-end" mt="8px">
        <Button
          variant="solid"
          size="s"
          disabled={!column || exists}
          onClick={() => {
            if (column) onChange([...added, column.name]);
            onDone();
          }}
        >
          Add {column && !exists ? `“${column.label}”` : 'column'}
        </Button>
      </Flex>
      {added.length ? (
        <Box borderTop="1px solid {colors.lineSoft}" mt="10px" pt="8px">
          {added.map((name) => (
            <Flex key={name} alignItems="center" gap="8px">
              <Box flex="1">{columnNamed(name)?.label ?? name}</Box>
              <Button variant="quiet" size="s" onClick={() => onChange(added.filter((other) => other !== name))}>
                Take away
              </Button>
            </Flex>
          ))}
        </Box>
      ) : null}
    </>
  );
}
