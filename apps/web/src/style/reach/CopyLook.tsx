import { Box, Dialog, Flex, Portal } from '@chakra-ui/react';
import type { Site } from '@retoque/contract';
import {
  asTold,
  componentKey,
  kindNamed,
  overLook,
  settingIndex,
  settingKey,
  type CopyShare,
  type Look,
} from '@retoque/core';
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

/** The look in hand on other components of its kind or a related one, in every state: looked at with all that changes, then set in one step. */
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
  const [mends, setMends] = useState(false);
  const finish = site.finishes.find(({ id }) => id === look.finish);
  const told = finish ? overLook(finish.look, look) : look;
  const none = useSiteWork(['copy', from, 'none'], pages.at, (at, onStep) =>
    surveyEngine().copyLook(at, from, {}, onStep),
  );
  const shares = none.data?.shares ?? NONE;
  const isAll = chosen.size === shares.length && !mends;
  const ofKind = shares.filter(({ isRelated }) => !isRelated);
  const related = shares.filter(({ isRelated }) => isRelated);
  const some = useSiteWork(
    ['copy', from, [...chosen].sort(), mends],
    chosen.size && !isAll ? pages.at : undefined,
    (at, onStep) => surveyEngine().copyLook(at, from, { only: chosen, mends }, onStep),
  );
  const answer = isAll ? none : some;
  const copy = async () => {
    setBusy(true);
    try {
      const taken = answer.data!.shares.map((share) => {
        const settings = asTold(share.settings, told);
        // What the finish says they have from it.
        const own = settings.filter((setting) => settingIndex(from.look).has(settingKey(setting)));
        return follows && finish && !share.isRelated ? { ...share, settings: own, finish } : { ...share, settings };
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
                  <Nearby shares={ofKind} chosen={chosen} onChoose={setChosen} />
                  <Targets label="Copy it to" shares={ofKind} chosen={chosen} onChoose={setChosen} />
                  {related.length ? (
                    <>
                      <p className="head">Other kinds, parts matched by what they are</p>
                      <Targets label="Copy it to other kinds" shares={related} chosen={chosen} onChoose={setChosen} />
                    </>
                  ) : null}
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
                  {chosen.size ? (
                    <label className="follow">
                      <input type="checkbox" checked={mends} onChange={() => setMends(!mends)} />
                      Mend what would fail there, by the smallest changes
                    </label>
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

interface Choosing {
  readonly shares: readonly CopyShare[];
  /** Keys of those that are ticked. */
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (chosen: ReadonlySet<string>) => void;
}

const SCOPES = [
  { near: ['row'], label: 'This row' },
  { near: ['row', 'page'], label: 'This page' },
  { near: ['row', 'page', 'site'], label: 'Everywhere' },
] as const;

/** Ticks those of one kind that are near, by how near. */
function Nearby({ shares, chosen, onChoose }: Choosing) {
  if (!shares.length) return null;
  const scopes = SCOPES.map(({ near, label }) => ({
    label,
    keys: shares.filter((share) => near.some((own) => own === share.near)).map(keyOf),
  }));
  return (
    <Flex gap="6px" alignItems="center" role="group" aria-label="Tick">
      {scopes.map(({ label, keys }) => (
        <Button key={label} size="s" variant="quiet" disabled={!keys.length} onClick={() => onChoose(new Set(keys))}>
          {label} ({keys.length})
        </Button>
      ))}
      <Button size="s" variant="quiet" disabled={!chosen.size} onClick={() => onChoose(new Set())}>
        None
      </Button>
    </Flex>
  );
}

function Targets({ label, shares, chosen, onChoose }: Choosing & { readonly label: string }) {
  return (
    <ul aria-label={label}>
      {shares.map((share) => (
        <li key={keyOf(share)}>
          <label>
            <input
              type="checkbox"
              checked={chosen.has(keyOf(share))}
              onChange={() => onChoose(toggled(chosen, keyOf(share)))}
            />
            <span>
              <b>{share.name}</b> <code>{share.place.locator.selector}</code>
              <small>
                {share.isRelated ? `${kindNamed(share.place.kind)?.label ?? share.place.kind}, ` : ''}
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
  );
}

const styles = {
  '& ul[aria-label^="Copy it to"]': { listStyle: 'none', margin: '6px 0 12px', maxHeight: '280px', overflowY: 'auto' },
  '& li label': { display: 'flex', gap: '9px', alignItems: 'flex-start', padding: '6px 0', cursor: 'pointer' },
  '& ul[aria-label^="Copy it to"] li': { borderTop: '1px solid {colors.lineSoft}' },
  '& .head': { fontWeight: 600, marginBottom: '2px' },
  '& b': { fontWeight: 600 },
  '& code': { fontFamily: 'mono', fontSize: '12px', color: 'ink2' },
  '& small': { display: 'block', color: 'ink2', fontSize: '12px' },
  '& .follow': { display: 'flex', gap: '9px', marginBottom: '12px', cursor: 'pointer' },
  '& .quiet': { color: 'ink2', fontSize: '12.5px', marginBottom: '10px' },
  '& input[type=checkbox]': { accentColor: '{colors.accent}', width: '16px', height: '16px', marginTop: '1px' },
};
