import { Box, Flex } from '@chakra-ui/react';
import { columnNamed, STATE_COLUMNS } from '@retoque/core';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { PopMenu } from '../../shell/PopMenu';
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

/** Adds a column for a combined state, such as current + hover, or takes an added one away. */
export function AddState({
  added,
  known,
  onChange,
}: {
  added: readonly string[];
  /** Names of the columns there are. */
  known: readonly string[];
  onChange: (added: readonly string[]) => void;
}) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const column = chosen.length ? columnNamed(chosen.map(wordOf).join('+')) : undefined;
  const exists = column !== undefined && known.includes(column.name);
  return (
    <PopMenu
      open={open}
      onOpenChange={(next) => {
        setOpen(next);
        setChosen([]);
      }}
      trigger={
        <Button variant="quiet" size="icon" aria-label="Add a state" title="Add a column for states that hold together">
          <Plus aria-hidden="true" />
        </Button>
      }
      title="States that hold together"
      width="250px"
    >
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
            setOpen(false);
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
    </PopMenu>
  );
}
