import { Box, Dialog, Portal } from '@chakra-ui/react';
import type { Page, Site } from '@retoque/contract';
import { changeLook, ownPartsOf, type Look, type MatchedLook, type PartPairs, type Setting } from '@retoque/core';
import { useEffect, useState } from 'react';
import { surveyEngine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { Effect } from '../../ledger/Effect';
import { Progress } from '../../ledger/Progress';
import { useSitePages, useSiteWork } from '../../ledger/useSiteWork';
import { counted } from '../../shell/counted';
import { DialogClose } from '../../shell/DialogClose';
import { Notice } from '../../shell/Notice';
import { Button } from '../../theme/Button';
import { MatchSource, type Source } from './MatchSource';

/** The look of something else on the site, put on what is in hand: chosen, matched part by part, seen, and kept as one step. */
export default function MatchLook({
  site,
  page,
  component: ref,
  name,
  look,
  onTry,
  onUse,
  onClose,
}: {
  site: Site;
  page: Page;
  /** What is in hand, what it is called, and its look. */
  component: ComponentRef;
  name: string;
  look: Look;
  /** Shows settings without keeping them; none shows the look as it is. */
  onTry: (settings: readonly Setting[] | undefined) => void;
  /** Keeps a look, as one step of this name. */
  onUse: (look: Look, step: string) => void;
  onClose: () => void;
}) {
  const pages = useSitePages(site);
  const [from, setFrom] = useState<Source>();
  const [pairs, setPairs] = useState<PartPairs>();
  const to = { version: ref.versionId, place: { kind: ref.kind, locator: ref.locator, ...ownPartsOf(ref) } };
  const answer = useSiteWork(['match', from, pairs, to], from && pages.at, (at, onStep) =>
    surveyEngine().matchLook(at, from!, to, pairs, onStep),
  );
  const { data } = answer;
  useEffect(() => {
    if (!data) return undefined;
    onTry(data.settings);
    return () => onTry(undefined);
  }, [data, onTry]);
  const use = () => {
    if (!data || !from) return;
    onTry(undefined);
    const known = { ...look, exceptions: [...look.exceptions, ...data.exceptions] };
    onUse(changeLook(known, data.settings), `As “${from.name}”`);
    onClose();
  };
  const error = pages.error ?? answer.error;
  return (
    <Dialog.Root open onOpenChange={({ open }) => !open && onClose()}>
      <Portal>
        {from ? null : <Dialog.Backdrop />}
        <Dialog.Positioner justifyContent={from ? 'flex-end' : 'center'}>
          <Dialog.Content maxWidth={from ? '440px' : '980px'}>
            <Dialog.Header>
              <Dialog.Title>{from ? `“${name}” as “${from.name}”` : 'Match another look'}</Dialog.Title>
              <Box color="ink2" mt="3px">
                {from
                  ? 'What is seen there is put on here, in every state. Sizes and places stay.'
                  : `Choose what “${name}” is to look like: anything on any page.`}
              </Box>
            </Dialog.Header>
            <DialogClose />
            <Dialog.Body>
              {error ? <Notice tone="short">{error.message}</Notice> : null}
              {!from ? (
                <MatchSource site={site} page={page} pages={pages} except={ref} onChoose={setFrom} />
              ) : data ? (
                <>
                  <Pairs matched={data} onChange={setPairs} />
                  {data.settings.length ? (
                    <>
                      <Box mb="8px">{counted(data.settings.length, 'value')} would be set.</Box>
                      <Effect effects={data.effects} />
                    </>
                  ) : (
                    <p>It looks like that already, as far as these parts go.</p>
                  )}
                </>
              ) : error ? null : (
                <Progress words="Matching, and measuring what it changes…" {...answer.progress} />
              )}
            </Dialog.Body>
            <Dialog.Footer>
              {from ? (
                <Button
                  variant="quiet"
                  mr="auto"
                  onClick={() => {
                    setFrom(undefined);
                    setPairs(undefined);
                  }}
                >
                  Choose another
                </Button>
              ) : null}
              <Button onClick={onClose}>Cancel</Button>
              {from ? (
                <Button variant="solid" disabled={!data?.settings.length} onClick={use}>
                  Use this look
                </Button>
              ) : null}
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

/** Which part has its look from which. */
function Pairs({
  matched: { from, to, pairs },
  onChange,
}: {
  matched: MatchedLook;
  onChange: (pairs: PartPairs) => void;
}) {
  return (
    <Box as="ul" aria-label="Parts and where they have their look from" css={styles}>
      {to.map(({ part, label }) => (
        <li key={part}>
          <label>
            <span>{label}</span>
            <select
              value={pairs[part] ?? ''}
              onChange={(event) => onChange({ ...pairs, [part]: event.target.value || null })}
            >
              <option value="">keeps its own</option>
              {from.map((own) => (
                <option key={own.part} value={own.part}>
                  as {own.label.toLowerCase()}
                </option>
              ))}
            </select>
          </label>
        </li>
      ))}
    </Box>
  );
}

const styles = {
  listStyle: 'none',
  margin: '0 0 12px',
  maxHeight: '260px',
  overflowY: 'auto',
  '& label': {
    display: 'flex',
    gap: '10px',
    alignItems: 'center',
    justifyContent: 'space-between',
    padding: '4px 0',
    borderBottom: '1px solid {colors.lineSoft}',
  },
  '& select': {
    width: '190px',
    height: '28px',
    bg: 'card',
    border: '1px solid {colors.edge}',
    borderRadius: 'm',
    padding: '0 5px',
  },
};
