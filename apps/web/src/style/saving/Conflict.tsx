import { Box, chakra, Flex } from '@chakra-ui/react';
import type { LookData } from '@retoque/contract';
import { mergeLooks, type Choice, type Difference, type Kind, type Look } from '@retoque/core';
import { useMemo, useState } from 'react';
import { Notice } from '../../shell/Notice';
import { Segments } from '../../shell/Segments';
import { Button } from '../../theme/Button';
import { differenceLines, type DifferenceLine } from './differences';
import type { Rival } from './look-saver';

const Table = chakra('table', {
  base: {
    width: '100%',
    marginTop: '8px',
    borderCollapse: 'collapse',
    tableLayout: 'fixed',
    fontSize: '12.5px',
    color: 'ink',
    '& caption': { textAlign: 'left', fontWeight: 650, padding: '6px 0 2px' },
    '& th': { textAlign: 'left', fontWeight: 500, color: 'ink2', padding: '3px 10px 3px 0' },
    '& th:first-of-type': { width: '40%' },
    '& td': { padding: '3px 10px 3px 0', verticalAlign: 'middle' },
    '& tbody tr': { borderTop: '1px solid {colors.line}' },
    '& code': { overflowWrap: 'anywhere' },
    '& i': {
      display: 'inline-block',
      width: '14px',
      height: '14px',
      marginRight: '6px',
      verticalAlign: '-2px',
      borderRadius: 's',
      boxShadow: 'inset 0 0 0 1px {colors.swatchEdge}',
    },
  },
});

const isColour = (value: string) => CSS.supports('color', value) && value !== 'inherit';

function Value({ children }: { children: string }) {
  return (
    <>
      {isColour(children) ? <i style={{ background: children }} aria-hidden="true" /> : null}
      <code>{children}</code>
    </>
  );
}

/**
 * Someone saved in between: nothing is overwritten, and nothing of one's own is lost. Where the two changed different
 * cells both are kept together; where they changed the same one it is chosen.
 */
export default function Conflict({
  rival,
  look,
  kind,
  busy,
  onMerge,
  onLoad,
  onKeepBoth,
}: {
  rival: Rival;
  look: Look;
  kind: Kind;
  busy: boolean;
  onMerge: (merged: LookData) => void;
  onLoad: () => void;
  onKeepBoth: () => void;
}) {
  const [theirs, setTheirs] = useState<ReadonlySet<string>>(new Set());
  const [shown, setShown] = useState(false);
  const { base, current } = rival;
  const merge = useMemo(() => {
    const choose: Choice = (key) => (theirs.has(key) ? 'theirs' : 'mine');
    return mergeLooks(base, look, current.look, choose);
  }, [base, look, current.look, theirs]);
  const lines = useMemo(() => {
    const looks: readonly Look[] = [look, current.look, ...(base ? [base] : [])];
    const of = (differences: readonly Difference[]) => differenceLines(differences, kind, looks);
    return { both: of(merge.both), mine: of(merge.onlyMine), theirs: of(merge.onlyTheirs) };
  }, [merge, look, current.look, base, kind]);
  const choose = ({ keys }: DifferenceLine, whose: string) =>
    setTheirs((now) => {
      const next = new Set(now);
      for (const key of keys) {
        if (whose === 'theirs') next.add(key);
        else next.delete(key);
      }
      return next;
    });
  const others = lines.mine.length + lines.theirs.length;

  return (
    <Box padding="10px 14px 0" data-testid="conflict">
      <Notice tone="short">
        <Flex gap="10px" flexWrap="wrap" alignItems="center">
          <Box flex="1 1 320px">
            <b>A newer version was saved in another window.</b> {words(lines)} Nothing is overwritten until you choose.
          </Box>
          <Flex gap="6px" flexWrap="wrap">
            <Button size="s" variant="solid" disabled={busy} onClick={() => onMerge(merge.look as LookData)}>
              Use both together
            </Button>
            <Button size="s" disabled={busy} onClick={onKeepBoth}>
              Keep both apart
            </Button>
            <Button size="s" disabled={busy} onClick={onLoad}>
              Take the newer one
            </Button>
          </Flex>
        </Flex>
        {lines.both.length ? (
          <Table>
            <caption>Changed in both windows: choose</caption>
            <thead>
              <tr>
                <th scope="col">Cell</th>
                <th scope="col">Here</th>
                <th scope="col">Other window</th>
                <th scope="col">Take</th>
              </tr>
            </thead>
            <tbody>
              {lines.both.map((line) => (
                <tr key={line.keys[0]}>
                  <td>{line.where}</td>
                  <td>
                    <Value>{line.mine}</Value>
                  </td>
                  <td>
                    <Value>{line.theirs}</Value>
                  </td>
                  <td>
                    <Segments
                      label={`Which to take: ${line.where}`}
                      value={theirs.has(line.keys[0]!) ? 'theirs' : 'mine'}
                      choices={[
                        { value: 'mine', label: 'Here' },
                        { value: 'theirs', label: 'Other' },
                      ]}
                      onChange={(whose) => choose(line, whose)}
                    />
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        ) : null}
        {others ? (
          <>
            <Button size="s" variant="quiet" mt="6px" aria-expanded={shown} onClick={() => setShown(!shown)}>
              {shown ? 'Hide' : 'Show'} what changed in one window alone
            </Button>
            {shown ? (
              <Table>
                <thead>
                  <tr>
                    <th scope="col">Cell</th>
                    <th scope="col">Here</th>
                    <th scope="col">Other window</th>
                  </tr>
                </thead>
                <tbody>
                  {[...lines.mine, ...lines.theirs].map((line) => (
                    <tr key={line.keys[0]}>
                      <td>{line.where}</td>
                      <td>
                        <Value>{line.mine}</Value>
                      </td>
                      <td>
                        <Value>{line.theirs}</Value>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </Table>
            ) : null}
          </>
        ) : null}
      </Notice>
    </Box>
  );
}

const cells = (number: number) => `${number} ${number === 1 ? 'cell' : 'cells'}`;

function words({
  both,
  mine,
  theirs,
}: Readonly<Record<'both' | 'mine' | 'theirs', readonly DifferenceLine[]>>): string {
  const parts = [
    ...(mine.length ? [`${cells(mine.length)} changed here alone`] : []),
    ...(theirs.length ? [`${cells(theirs.length)} changed there alone`] : []),
    ...(both.length ? [`${cells(both.length)} changed in both`] : []),
  ];
  return parts.length ? `${parts.join(', ')}.` : 'The two say the same.';
}
