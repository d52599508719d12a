import { Box, chakra, Dialog, Portal } from '@chakra-ui/react';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { Command } from './commands';
import { Keys } from './Keys';
import { Input } from '../../theme/Input';

const Item = chakra('div', {
  base: {
    display: 'flex',
    gap: '10px',
    alignItems: 'baseline',
    padding: '6px 12px',
    cursor: 'pointer',
    '&[aria-selected=true]': { bg: 'accentSoft' },
    '&[aria-disabled=true]': { color: 'ink3', cursor: 'default' },
  },
});

/** Everything that can be done here, found by typing. */
export default function CommandPalette({
  commands,
  open,
  onClose,
}: {
  commands: readonly Command[];
  open: boolean;
  onClose: () => void;
}) {
  const [search, setSearch] = useState('');
  const [at, setAt] = useState(0);
  const list = useRef<HTMLDivElement>(null);
  const words = search.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const found = commands.filter((command) => {
    const text = `${command.group} ${command.name}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const current = Math.min(at, Math.max(0, found.length - 1));

  useEffect(() => {
    list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
  }, [current]);

  const close = () => {
    setSearch('');
    setAt(0);
    onClose();
  };
  const run = (command: Command | undefined) => {
    if (!command?.enabled) return;
    close();
    // The dialog gives the focus back first, so that a command may move it.
    requestAnimationFrame(command.run);
  };
  const keys = (event: KeyboardEvent) => {
    const moves: Readonly<Record<string, number>> = { ArrowDown: 1, ArrowUp: -1 };
    const move = moves[event.key];
    if (move !== undefined) {
      event.preventDefault();
      setAt((current + move + found.length) % Math.max(1, found.length));
    } else if (event.key === 'Enter') {
      event.preventDefault();
      run(found[current]);
    }
  };
  return (
    <Dialog.Root open={open} onOpenChange={(details) => !details.open && close()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxWidth="520px" aria-label="Commands">
            <Box padding="12px">
              <Input
                role="combobox"
                aria-expanded="true"
                aria-controls="command-list"
                aria-activedescendant={found.length ? `command-${current}` : undefined}
                aria-label="Find a command"
                placeholder="What would you like to do?"
                value={search}
                onChange={(event) => {
                  setSearch(event.target.value);
                  setAt(0);
                }}
                onKeyDown={keys}
              />
            </Box>
            <Box
              ref={list}
              id="command-list"
              role="listbox"
              aria-label="Commands"
              maxHeight="320px"
              overflowY="auto"
              pb="10px"
            >
              {found.map((command, i) => (
                <Item
                  key={command.name}
                  id={`command-${i}`}
                  role="option"
                  aria-selected={i === current}
                  aria-disabled={!command.enabled}
                  onPointerMove={() => setAt(i)}
                  onClick={() => run(command)}
                >
                  <Box as="span" color="ink3" fontSize="12px" width="46px" flexShrink={0}>
                    {command.group}
                  </Box>
                  <Box as="span" flex="1">
                    {command.name}
                  </Box>
                  {command.keys ? <Keys>{command.keys}</Keys> : null}
                </Item>
              ))}
              {found.length ? null : (
                <Box padding="6px 12px" color="ink2">
                  Nothing is called “{search.trim()}”.
                </Box>
              )}
            </Box>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
