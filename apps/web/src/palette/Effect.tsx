import { Box } from '@chakra-ui/react';
import type { ComponentEffect } from '@retoque/core';
import { Wedge } from '../shell/Wedge';
import { checkWords, counted, tallyOf } from './words';

/** Most checks of one component that are named. */
const MOST_NAMED = 3;

/** Which checks would change, component by component. */
export function Effect({ effects }: { effects: readonly ComponentEffect[] }) {
  const { broken, mended } = tallyOf(effects);
  if (!broken && !mended) return <Box color="ink2">No check changes.</Box>;
  return (
    <Box css={styles}>
      <p>
        {broken ? <b className="fails">{counted(broken, 'check')} would fail</b> : <b>No check would fail</b>}
        {mended ? `, ${counted(mended, 'check')} that ${mended === 1 ? 'fails' : 'fail'} now would pass` : ''}.
      </p>
      <ul>
        {effects.map(({ place, version, name, broken: fails, mended: passes }) => (
          <li key={`${version} ${place.kind} ${place.locator.selector}`}>
            <b>{name}</b>
            {fails.slice(0, MOST_NAMED).map((check) => (
              <span key={`${check.part} ${check.column} ${check.demand} ${check.viewport}`} className="fails">
                <Wedge /> {checkWords(check)}
              </span>
            ))}
            {fails.length > MOST_NAMED ? <span className="fails">and {fails.length - MOST_NAMED} more</span> : null}
            {passes.length ? <span>✓ {counted(passes.length, 'more passes', 'more pass')}</span> : null}
          </li>
        ))}
      </ul>
    </Box>
  );
}

const styles = {
  '& ul': { listStyle: 'none', marginTop: '8px', maxHeight: '220px', overflowY: 'auto' },
  '& li': { display: 'grid', gap: '2px', padding: '6px 0', borderTop: '1px solid {colors.lineSoft}' },
  '& li span': { fontSize: '12.5px', color: 'ink2' },
  '& .fails, & li .fails': { color: 'short' },
};
