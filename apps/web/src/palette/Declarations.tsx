import { Box } from '@chakra-ui/react';
import type { ColourUse } from '@retoque/core';
import { counted } from '../shell/counted';

const REST = 'Beside the components';
const NOWHERE = 'Reaching nothing';

/** Declarations that have a colour, by the component that they reach; what has no effect is marked. */
export function Declarations({ uses }: { uses: readonly ColourUse[] }) {
  if (!uses.length)
    return (
      <Box color="ink2">No sheet and no style attribute of the site has this colour. A picture or a script may.</Box>
    );
  const groups = new Map<string, ColourUse[]>();
  for (const use of uses) {
    const isCustom = use.property.startsWith('--');
    const names = isCustom
      ? ['Custom properties']
      : use.components.length
        ? use.components
        : [use.reached ? REST : NOWHERE];
    for (const name of names) groups.set(name, [...(groups.get(name) ?? []), use]);
  }
  const order = (name: string) => (name === NOWHERE ? 2 : name === REST ? 1 : 0);
  return (
    <Box css={styles}>
      <p>
        <b>{counted(uses.length, 'declaration')}</b> in {counted(new Set(uses.map(({ sheet }) => sheet)).size, 'sheet')}
        {uses.some(({ isOverridden, reached }) => isOverridden || !reached)
          ? `, ${uses.filter(({ isOverridden, reached }) => isOverridden || !reached).length} without effect`
          : ''}
        .
      </p>
      {[...groups]
        .sort(([a], [b]) => order(a) - order(b))
        .map(([name, own]) => (
          <section key={name} aria-label={name}>
            <h2>{name}</h2>
            <ul>
              {own.map((use) => (
                <Line key={`${use.sheet} ${use.line} ${use.selector} ${use.property} ${use.value}`} use={use} />
              ))}
            </ul>
          </section>
        ))}
    </Box>
  );
}

function Line({ use }: { use: ColourUse }) {
  const { selector, property, value, sheet, line, conditions, through, isNear, reached, isOverridden } = use;
  const mark = isOverridden
    ? 'something else wins'
    : !reached
      ? 'reaches nothing'
      : isNear
        ? 'looks alike'
        : through
          ? `through ${through}`
          : '';
  return (
    <li data-idle={isOverridden || !reached ? '' : undefined}>
      <code>
        {conditions.length ? <span className="condition">{conditions.join(' ')} </span> : null}
        {selector || 'style attribute'} {'{'} <b>{property}</b>: {value} {'}'}
      </code>
      <small>
        {selector ? `${sheet.split('/').at(-1)!}:${line}` : 'in the page'}
        {mark ? <em> · {mark}</em> : null}
      </small>
    </li>
  );
}

const styles = {
  '& section': {
    bg: 'card',
    border: '1px solid {colors.line}',
    borderRadius: 'l',
    padding: '10px 14px',
    marginTop: '12px',
  },
  '& h2': { fontSize: '13.5px', fontWeight: 650, marginBottom: '4px' },
  '& ul': { listStyle: 'none' },
  '& li': {
    display: 'flex',
    flexWrap: 'wrap',
    gap: '2px 12px',
    justifyContent: 'space-between',
    padding: '4px 0',
    borderTop: '1px solid {colors.lineSoft}',
    '&[data-idle] code': { textDecoration: 'line-through', color: 'ink3' },
  },
  '& code': { fontFamily: 'mono', fontSize: '12px', overflowWrap: 'anywhere' },
  '& code b': { fontWeight: 650 },
  '& .condition': { color: 'ink3' },
  '& small': { color: 'ink3', fontSize: '12px', '& em': { fontStyle: 'normal', color: 'unsure' } },
};
