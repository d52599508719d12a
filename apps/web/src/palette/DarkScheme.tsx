import { Box, Flex } from '@chakra-ui/react';
import { componentKey } from '@retoque/core';
import { useQueryClient } from '@tanstack/react-query';
import { Moon } from 'lucide-react';
import { useState } from 'react';
import { surveyEngine } from '../engine/engine';
import type { DarkSchemeAnswer } from '../engine/protocol';
import { Effect } from '../ledger/Effect';
import { Progress } from '../ledger/Progress';
import { putShares, saveChanged } from '../ledger/put-shares';
import { useSiteWork } from '../ledger/useSiteWork';
import { counted } from '../shell/counted';
import { Notice } from '../shell/Notice';
import { PageSelect } from '../shell/PageSelect';
import { Segments } from '../shell/Segments';
import { tellDone, tellProblem } from '../shell/toasts';
import { toggled } from '../shell/toggled';
import { Button } from '../theme/Button';
import { asideStyles } from '../theme/styles/asideStyles';
import { darkChanges, withoutDark } from './dark-changes';
import type { PaletteParts } from './own';
import { PageInScheme } from './PageInScheme';

const SCHEMES = [
  { value: 'light', label: 'Light', hint: 'The page as it is now' },
  { value: 'dark', label: 'Dark', hint: 'The page for those who prefer a dark screen' },
] as const;

/** The site for those who prefer a dark screen: derived, looked at, and kept in one step. */
export function DarkScheme({ site, pages }: Pick<PaletteParts, 'site' | 'pages'>) {
  const [wanted, setWanted] = useState(false);
  const [scheme, setScheme] = useState<'light' | 'dark'>('dark');
  const [pageId, setPageId] = useState(site.pages[0]?.id);
  const answer = useSiteWork(['dark scheme'], wanted ? pages.at : undefined, (at, onStep) =>
    surveyEngine().darkScheme(at, onStep),
  );
  const index = Math.max(
    0,
    site.pages.findIndex(({ id }) => id === pageId),
  );
  const version = pages.at?.versions[index];
  return (
    <Flex gap="22px" alignItems="flex-start" direction={{ base: 'column', lg: 'row' }}>
      <Box flex="1" minWidth="0" width="100%">
        <Flex gap="10px" mb="10px" alignItems="center" flexWrap="wrap">
          <Segments label="Scheme of the picture" value={scheme} choices={SCHEMES} onChange={setScheme} />
          {site.pages.length > 1 ? (
            <PageSelect pages={site.pages} value={pageId} onChange={setPageId} width="300px" />
          ) : null}
        </Flex>
        <PageInScheme
          version={version}
          scheme={scheme}
          css={version && answer.data?.css.get(version)}
          worn={pages.worn}
        />
      </Box>
      <Box as="aside" aria-label="Dark scheme" css={asideStyles}>
        <h2>Dark scheme</h2>
        <Kept {...{ site, pages }} />
        {!wanted ? (
          <>
            <p className="quiet">
              Light grounds become dark, and what stands on them light; dark and vivid colours stay. What passes now is
              kept passing wherever a colour can do that. Nothing changes for those who prefer a light screen.
            </p>
            <Flex mt="12px" justifyContent="flex-end">
              <Button
                variant="solid"
                disabled={!pages.at}
                onClick={() => {
                  setWanted(true);
                  setScheme('dark');
                }}
              >
                <Moon aria-hidden="true" />
                Make a dark scheme
              </Button>
            </Flex>
          </>
        ) : answer.error ? (
          <Notice tone="short">{answer.error.message}</Notice>
        ) : answer.data ? (
          <Proposed {...{ site, answer: answer.data }} onDone={() => setWanted(false)} />
        ) : (
          <Box mt="12px">
            <Progress words="Trying it in every component…" {...answer.progress} />
            <Flex mt="10px" justifyContent="flex-end">
              <Button size="s" onClick={() => setWanted(false)}>
                Stop
              </Button>
            </Flex>
          </Box>
        )}
      </Box>
    </Flex>
  );
}

/** What the site says for dark screens already, and the way to take it off. */
function Kept({ site, pages }: Pick<PaletteParts, 'site' | 'pages'>) {
  const client = useQueryClient();
  const { settings, changed } = darkChanges(pages.components ?? []);
  if (!settings) return null;
  const remove = async () => {
    try {
      const undo = await saveChanged(
        client,
        site.id,
        changed.map((own) => ({ ...own, look: withoutDark(own.look) })),
      );
      tellDone('Dark scheme removed', () => void undo().catch(tellProblem));
    } catch (error) {
      tellProblem(error as Error);
    }
  };
  return (
    <p className="quiet">
      {counted(settings, 'value')} in {counted(changed.length, 'component')} {settings === 1 ? 'holds' : 'hold'} for
      dark screens alone. Refine them in Style, under Dark.{' '}
      <Button size="s" onClick={() => void remove()}>
        Remove them
      </Button>
    </p>
  );
}

function Proposed({
  site,
  answer: { shares, effects },
  onDone,
}: Pick<PaletteParts, 'site'> & { answer: DarkSchemeAnswer; onDone: () => void }) {
  const client = useQueryClient();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [busy, setBusy] = useState(false);
  const taken = shares.filter(({ place }) => !left.has(componentKey(place)));
  const use = async () => {
    setBusy(true);
    try {
      const undo = await putShares(client, site.id, taken);
      tellDone(`Dark scheme in ${counted(taken.length, 'component')}`, () => void undo().catch(tellProblem));
      onDone();
    } catch (error) {
      tellProblem(error as Error);
      setBusy(false);
    }
  };
  if (!shares.length) return <p className="quiet">Nothing on these pages is light: there is nothing to make dark.</p>;
  return (
    <>
      <Effect effects={effects} />
      {left.size ? <p className="quiet">That is with all components; those left out stay as they are.</p> : null}
      <ul className="components" aria-label="Components that change">
        {shares.map(({ place, name, settings }) => (
          <li key={componentKey(place)}>
            <label>
              <input
                type="checkbox"
                checked={!left.has(componentKey(place))}
                onChange={() => setLeft(toggled(left, componentKey(place)))}
              />
              <span>
                <b>{name}</b>
                <small>{counted(settings.length, 'value')}</small>
              </span>
            </label>
          </li>
        ))}
      </ul>
      <Flex mt="12px" justifyContent="flex-end">
        <Button variant="solid" disabled={busy || !taken.length} onClick={() => void use()}>
          {busy ? 'Saving…' : `Keep in ${counted(taken.length, 'component')}`}
        </Button>
      </Flex>
    </>
  );
}
