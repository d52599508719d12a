import { Box, Flex } from '@chakra-ui/react';
import type { Component } from '@retoque/contract';
import { kindNamed, type SiteHandover } from '@retoque/core';
import { counted } from '../shell/counted';
import { toggled } from '../shell/toggled';
import { Button } from '../theme/Button';

interface Props {
  readonly components: readonly Component[];
  readonly left: ReadonlySet<string>;
  readonly answer: SiteHandover | undefined;
  readonly onLeave: (left: ReadonlySet<string>) => void;
}

/** The components with a look, to choose which of them go along. */
export function Chosen({ components, left, answer, onLeave }: Props) {
  return (
    <Box as="section" aria-label="Components that go along" css={styles}>
      <Flex alignItems="baseline" justifyContent="space-between" gap="10px">
        <h2>Components</h2>
        {components.length > 1 ? (
          <Button
            size="s"
            variant="quiet"
            onClick={() => onLeave(left.size ? new Set() : new Set(components.map(({ id }) => id)))}
          >
            {left.size ? 'Take all' : 'Take none'}
          </Button>
        ) : null}
      </Flex>
      <ul>
        {components.map(({ id, name, kind }) => (
          <li key={id}>
            <label>
              <input type="checkbox" checked={!left.has(id)} onChange={() => onLeave(toggled(left, id))} />
              <span>
                <b>{name}</b>
                <small>
                  {kindNamed(kind)?.label ?? kind}
                  {left.has(id) ? '' : where(id, answer)}
                </small>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </Box>
  );
}

function where(id: string, answer: SiteHandover | undefined): string {
  if (!answer) return '';
  if (answer.nowhere.includes(id)) return ', on no page any more';
  const count = answer.pages.filter(({ worn }) => worn.includes(id)).length;
  return count ? `, on ${counted(count, 'page')}` : '';
}

const styles = {
  '& h2': { fontSize: '15px', fontWeight: 650 },
  '& ul': { listStyle: 'none', marginTop: '4px', borderTop: '1px solid {colors.lineSoft}' },
  '& li': { borderBottom: '1px solid {colors.lineSoft}' },
  '& label': { display: 'flex', gap: '10px', padding: '8px 2px', cursor: 'pointer', alignItems: 'flex-start' },
  '& label:hover': { background: 'sheet' },
  '& input': { accentColor: '{colors.accent}', width: '16px', height: '16px', margin: '2px 0 0', flexShrink: 0 },
  '& b': { display: 'block', fontWeight: 550, overflowWrap: 'anywhere' },
  '& small': { color: 'ink2', fontSize: '12.5px' },
};
