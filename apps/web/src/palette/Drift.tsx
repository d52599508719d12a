import { Box, Flex } from '@chakra-ui/react';
import { kindNamed, parseColour, partNamed, type Drift as DriftFound } from '@retoque/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { surveyEngine } from '../engine/engine';
import type { SeenAt } from '../engine/protocol';
import { Effect } from '../ledger/Effect';
import { Progress } from '../ledger/Progress';
import { putShares } from '../ledger/put-shares';
import { useSiteWork } from '../ledger/useSiteWork';
import { counted } from '../shell/counted';
import { Notice } from '../shell/Notice';
import { Segments } from '../shell/Segments';
import { tellDone, tellProblem } from '../shell/toasts';
import { toggled } from '../shell/toggled';
import { SCHEME_CHOICES, VIEWPORT_CHOICES } from '../shell/viewports';
import { Button } from '../theme/Button';
import { asideStyles } from '../theme/styles/asideStyles';
import { elementsOf, linesOf, noneWords, reachWords, type DriftLine } from './drift-words';
import type { PaletteParts } from './own';
import { ColourBlock } from './Swatch';
import { shortColour } from './words';

/** Things of one kind that look alike and are not quite: seen value by value, and made alike in one step. */
export function Drift({ site, pages }: Pick<PaletteParts, 'site' | 'pages'>) {
  const [seen, setSeen] = useState<SeenAt>({ viewport: 'wide', scheme: 'light' });
  return (
    <>
      <Flex gap="10px" mb="12px" alignItems="center" flexWrap="wrap">
        <Segments
          label="Width of the page"
          value={seen.viewport}
          choices={VIEWPORT_CHOICES}
          onChange={(viewport) => setSeen({ ...seen, viewport })}
        />
        <Segments
          label="Colour scheme"
          value={seen.scheme}
          choices={SCHEME_CHOICES}
          onChange={(scheme) => setSeen({ ...seen, scheme })}
        />
        <Box color="ink2" fontSize="12.5px">
          {reachWords(seen)}
        </Box>
      </Flex>
      <DriftAt key={`${seen.viewport} ${seen.scheme}`} {...{ site, pages, seen }} />
    </>
  );
}

type SeenParts = Pick<PaletteParts, 'site' | 'pages'> & { readonly seen: SeenAt };

function DriftAt({ site, pages, seen }: SeenParts) {
  // Those whose tick is not as it was at first.
  const [turned, setTurned] = useState<ReadonlySet<string>>(new Set());
  const found = useSiteWork(['drift', seen], pages.at, (at, onStep) => surveyEngine().findDrift(at, seen, onStep));
  const drifts = found.data ?? [];
  const isTaken = (drift: DriftFound): boolean => isClear(drift) !== turned.has(drift.key);
  const taken = drifts.filter(isTaken);
  if (found.error) return <Notice tone="short">{found.error.message}</Notice>;
  if (!found.data) return <Progress words="Comparing what looks alike…" {...found.progress} />;
  if (!drifts.length) return <Box color="ink2">{noneWords(seen)}</Box>;
  return (
    <Flex gap="22px" alignItems="flex-start" direction={{ base: 'column', lg: 'row' }}>
      <Box as="ul" aria-label="What drifts" css={listStyles}>
        {drifts.map((drift) => (
          <DriftCard
            key={drift.key}
            drift={drift}
            isTaken={isTaken(drift)}
            onToggle={() => setTurned(toggled(turned, drift.key))}
          />
        ))}
      </Box>
      <Settle {...{ site, pages, seen, taken }} />
    </Flex>
  );
}

/** Whether most have one value, in each line; as many against as many may be a choice. */
const isClear = ({ cells }: DriftFound): boolean =>
  cells.every(({ having, others }) => others.every(({ units }) => having > elementsOf(units)));

function DriftCard({
  drift: { kind: kindName, part, elements, components, cells },
  isTaken,
  onToggle,
}: {
  drift: DriftFound;
  isTaken: boolean;
  onToggle: () => void;
}) {
  const kind = kindNamed(kindName)!;
  const label = partNamed(kind, part)?.label ?? part;
  const isRoot = kind.parts[0]!.name === part;
  const plural = `${kind.plural[0]!.toUpperCase()}${kind.plural.slice(1)}`;
  return (
    <li>
      <label>
        <input type="checkbox" checked={isTaken} onChange={onToggle} />
        <span>
          <b>{isRoot ? plural : `${plural}: ${label.toLowerCase()}`}</b>
          <small>
            {counted(elements, 'element')} in {counted(components, 'component')} look alike, but for this:
          </small>
        </span>
      </label>
      <table>
        <thead>
          <tr>
            <th scope="col">Value</th>
            <th scope="col">Most have</th>
            <th scope="col">These have</th>
          </tr>
        </thead>
        <tbody>
          {linesOf(cells).map((line) => (
            <Line key={line.key} line={line} />
          ))}
        </tbody>
      </table>
    </li>
  );
}

function Line({ line: { label, css, state, wanted, having, others } }: { line: DriftLine }) {
  return (
    <tr>
      <th scope="row">
        {label}
        {state ? `, ${state}` : ''} <code>{css}</code>
      </th>
      <td>
        <Shown text={wanted} /> <small>×{having}</small>
      </td>
      <td>
        {others.map(({ text, elements, names }) => (
          <div key={text}>
            <Shown text={text} /> <small>×{elements}</small> <span>{names.join(', ')}</span>
          </div>
        ))}
      </td>
    </tr>
  );
}

function Shown({ text }: { text: string }) {
  const isColour = parseColour(text) !== undefined;
  return (
    <span className="shown">
      {isColour ? <ColourBlock css={text} size="16px" /> : null}
      <code>{isColour ? shortColour(text) : text}</code>
    </span>
  );
}

/** What making them alike would change, and the step that does it. */
function Settle({ site, pages, seen, taken }: SeenParts & { taken: readonly DriftFound[] }) {
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const answer = useSiteWork(
    ['settle', seen, taken.map(({ key }) => key)],
    taken.length ? pages.at : undefined,
    (at, onStep) => surveyEngine().settleDrift(at, seen, taken, onStep),
  );
  const shares = answer.data?.shares ?? [];
  const use = async () => {
    setBusy(true);
    try {
      const undo = await putShares(client, site.id, shares);
      tellDone(`Made alike in ${counted(shares.length, 'component')}`, () => void undo().catch(tellProblem));
    } catch (error) {
      tellProblem(error as Error);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Box as="aside" aria-label="Make them alike" css={asideStyles}>
      <h2>Make them alike</h2>
      {!taken.length ? (
        <p className="quiet">Tick what is to have what most have.</p>
      ) : answer.error ? (
        <Notice tone="short">{answer.error.message}</Notice>
      ) : !answer.data ? (
        <Progress words="Measuring what it changes…" {...answer.progress} />
      ) : (
        <>
          <p>
            {counted(shares.length, 'component')} {shares.length === 1 ? 'gets' : 'get'} what most have.
          </p>
          <Effect effects={answer.data.effects} />
          <Flex mt="12px" justifyContent="flex-end">
            <Button variant="solid" disabled={busy || !shares.length} onClick={() => void use()}>
              {busy ? 'Saving…' : `Make ${counted(taken.length, 'group')} alike`}
            </Button>
          </Flex>
        </>
      )}
    </Box>
  );
}

const listStyles = {
  flex: '1',
  minWidth: '0',
  width: '100%',
  listStyle: 'none',
  display: 'grid',
  gap: '12px',
  '& > li': { bg: 'sheet', border: '1px solid {colors.line}', borderRadius: 'l', padding: '12px 16px' },
  '& > li > label': { display: 'flex', gap: '10px', cursor: 'pointer' },
  '& b': { fontWeight: 650 },
  '& label small': { display: 'block' },
  '& small, & td span:not([class])': { color: 'ink2', fontSize: '12.5px' },
  '& table': { width: '100%', marginTop: '8px', borderCollapse: 'collapse', tableLayout: 'fixed' },
  '& thead th': { fontSize: '12px', color: 'ink2', fontWeight: 500, textAlign: 'left', padding: '0 8px 3px 0' },
  '& tbody th': { textAlign: 'left', fontWeight: 500 },
  '& tbody th, & td': {
    padding: '6px 8px 6px 0',
    borderTop: '1px solid {colors.lineSoft}',
    verticalAlign: 'top',
    overflowWrap: 'anywhere',
  },
  '& tbody th code': { display: 'block', color: 'ink2' },
  '& code': { fontFamily: 'mono', fontSize: '12px' },
  '& .shown': { display: 'inline-flex', gap: '6px', alignItems: 'center', verticalAlign: 'middle' },
  '& td small': { verticalAlign: 'middle' },
  '& input[type=checkbox]': { accentColor: '{colors.accent}', width: '16px', height: '16px', marginTop: '2px' },
};
