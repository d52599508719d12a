import { Box } from '@chakra-ui/react';
import type { ComponentEffect } from '@retoque/core';
import { Wedge } from '../shell/Wedge';
import { mergeEffects } from './effects';
import { counted } from '../shell/counted';
import { checkWords } from './effect-words';

/** Most checks of one component that are named. */
const MOST_NAMED = 3;

/** Which checks would change, component by component. */
export function Effect({ effects }: { effects: readonly ComponentEffect[] }) {
  const merged = mergeEffects(effects);
  const failing = merged.reduce((sum, { broken }) => sum + broken.length, 0);
  const passing = merged.reduce((sum, { mended }) => sum + mended, 0);
  if (!failing && !passing) return <Box color="ink2">No check changes.</Box>;
  return (
    <Box css={styles}>
      <p>
        {failing ? <b className="fails">{counted(failing, 'check')} would fail</b> : <b>No check would fail</b>}
        {passing ? `, ${counted(passing, 'check')} that ${passing === 1 ? 'fails' : 'fail'} now would pass` : ''}.
      </p>
      <ul aria-label="Components whose checks change">
        {merged.map(({ key, name, broken, mended }) => (
          <li key={key}>
            <b>{name}</b>
            {broken.slice(0, MOST_NAMED).map((check) => (
              <span key={`${check.part} ${check.column} ${check.demand}`} className="fails">
                <Wedge /> {checkWords(check)}
              </span>
            ))}
            {broken.length > MOST_NAMED ? <span className="fails">and {broken.length - MOST_NAMED} more</span> : null}
            {mended ? <span>✓ {counted(mended, 'more passes', 'more pass')}</span> : null}
          </li>
        ))}
      </ul>
    </Box>
  );
}

const styles = {
  '& ul': { listStyle: 'none', marginTop: '8px', maxHeight: '170px', overflowY: 'auto' },
  '& li': { display: 'grid', gap: '2px', padding: '6px 0', borderTop: '1px solid {colors.lineSoft}' },
  '& li span': { fontSize: '12.5px', color: 'ink2' },
  '& .fails, & li .fails': { color: 'short' },
};
