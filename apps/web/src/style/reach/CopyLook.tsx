import { Box, Dialog, Portal } from '@chakra-ui/react';
import type { Site } from '@retoque/contract';
import { asTold, componentKey, overLook, settingIndex, settingKey, type CopyShare, type Look } from '@retoque/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { surveyEngine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { Effect } from '../../ledger/Effect';
import { counted } from '../../shell/counted';
import { Progress } from '../../ledger/Progress';
import { putShares } from '../../ledger/put-shares';
import { useSitePages, useSiteWork } from '../../ledger/useSiteWork';
import { DialogClose } from '../../shell/DialogClose';
import { Notice } from '../../shell/Notice';
import { toggled } from '../../shell/toggled';
import { tellDone, tellProblem } from '../../shell/toasts';
import { Button } from '../../theme/Button';

const NONE: readonly CopyShare[] = [];

/** The look in hand on other components of its kind, in every state: looked at with all that changes, then set in one step. */
export default function CopyLook({
  site,
  component,
  name,
  kindWords,
  look,
  onClose,
}: {
  site: Site;
  component: ComponentRef;
  name: string;
  /** What components of the kind are called. */
  kindWords: string;
  look: Look;
  onClose: () => void;
}) {
  const client = useQueryClient();
  const pages = useSitePages(site);
  // What is copied is the look as it was when the dialog opened.
  const [from] = useState({ kind: component.kind, locator: component.locator, look });
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [busy, setBusy] = useState(false);
  const [follows, setFollows] = useState(true);
  const finish = site.finishes.find(({ id }) => id === look.finish);
  const told = finish ? overLook(finish.look, look) : look;
  const none = useSiteWork(['copy', from, 'none'], pages.at, (at, onStep) =>
    surveyEngine().copyLook(at, from, undefined, onStep),
  );
  const shares = none.data?.shares ?? NONE;
  const isAll = chosen.size === shares.length;
  const some = useSiteWork(
    ['copy', from, [...chosen].sort()],
    chosen.size && !isAll ? pages.at : undefined,
    (at, onStep) => surveyEngine().copyLook(at, from, chosen, onStep),
  );
  const answer = isAll ? none : some;
  const copy = async () => {
    setBusy(true);
    try {
      const taken = answer.data!.shares.map((share) => {
        const settings = asTold(share.settings, told);
        // What the finish says they have from it.
        const own = settings.filter((setting) => settingIndex(from.look).has(settingKey(setting)));
        return follows && finish ? { ...share, settings: own, finish } : { ...share, settings };
      });
      const undo = await putShares(client, site.id, taken);
      tellDone(
        `The look of “${name}” on ${counted(taken.length, 'more', 'more')}`,
        () => void undo().catch(tellProblem),
      );
      onClose();
    } catch (error) {
      tellProblem(error as Error);
      setBusy(false);
    }
  };
  const error = pages.error ?? none.error ?? some.error;
  return (
    <Dialog.Root open onOpenChange={({ open }) => !open && onClose()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxWidth="600px">
            <Dialog.Header>
              <Dialog.Title>Copy this look to other {kindWords}</Dialog.Title>
              <Box color="ink2" mt="3px">
                Whole, in every state and at every width that it speaks of. What they have besides stays.
              </Box>
            </Dialog.Header>
            <DialogClose />
            <Dialog.Body css={styles}>
              {error ? (
                <Notice tone="short">{error.message}</Notice>
              ) : !none.data ? (
                <Progress words="Looking for others on all pages…" {...none.progress} />
              ) : !shares.length ? (
                <p>The site has no other {kindWords}.</p>
              ) : (
                <>
                  <Button
                    size="s"
                    variant="quiet"
                    onClick={() => setChosen(isAll ? new Set() : new Set(shares.map(keyOf)))}
                  >
                    {isAll ? 'Tick none' : 'Tick all'}
                  </Button>
                  <ul aria-label="Copy it to">
                    {shares.map((share) => (
                      <li key={keyOf(share)}>
                        <label>
                          <input
                            type="checkbox"
                            checked={chosen.has(keyOf(share))}
                            onChange={() => setChosen(toggled(chosen, keyOf(share)))}
                          />
                          <span>
                            <b>{share.name}</b> <code>{share.place.locator.selector}</code>
                            <small>
                              {counted(share.settings.length, 'value')}
                              {share.without.length
                                ? `; it has no ${share.without.map((word) => word.toLowerCase()).join(', ')}`
                                : ''}
                            </small>
                          </span>
                        </label>
                      </li>
                    ))}
                  </ul>
                  {finish ? (
                    <label className="follow">
                      <input type="checkbox" checked={follows} onChange={() => setFollows(!follows)} />
                      They follow the finish “{finish.name}” from now on
                    </label>
                  ) : null}
                  {none.data.left ? (
                    <p className="quiet">
                      {counted(none.data.left, 'value')} of single members or of one page{' '}
                      {none.data.left === 1 ? 'stays' : 'stay'} here.
                    </p>
                  ) : null}
                  {!chosen.size ? null : answer.data ? (
                    <Effect effects={answer.data.effects} />
                  ) : (
                    <Progress words="Measuring what it changes there…" {...answer.progress} />
                  )}
                </>
              )}
            </Dialog.Body>
            <Dialog.Footer>
              <Button onClick={onClose}>Cancel</Button>
              <Button variant="solid" disabled={busy || !chosen.size || !answer.data} onClick={() => void copy()}>
                {busy ? 'Saving…' : chosen.size ? `Copy to ${chosen.size}` : 'Copy'}
              </Button>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

const keyOf = ({ place }: CopyShare): string => componentKey(place);

const styles = {
  '& ul[aria-label="Copy it to"]': { listStyle: 'none', margin: '6px 0 12px', maxHeight: '280px', overflowY: 'auto' },
  '& li label': { display: 'flex', gap: '9px', alignItems: 'flex-start', padding: '6px 0', cursor: 'pointer' },
  '& ul[aria-label="Copy it to"] li': { borderTop: '1px solid {colors.lineSoft}' },
  '& b': { fontWeight: 600 },
  '& code': { fontFamily: 'mono', fontSize: '12px', color: 'ink2' },
  '& small': { display: 'block', color: 'ink2', fontSize: '12px' },
  '& .follow': { display: 'flex', gap: '9px', marginBottom: '12px', cursor: 'pointer' },
  '& .quiet': { color: 'ink2', fontSize: '12.5px', marginBottom: '10px' },
  '& input[type=checkbox]': { accentColor: '{colors.accent}', width: '16px', height: '16px', marginTop: '1px' },
};
