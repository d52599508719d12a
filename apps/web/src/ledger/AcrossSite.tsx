import { Dialog, Portal } from '@chakra-ui/react';
import { DialogClose } from '../shell/DialogClose';
import type { Component, Site } from '@retoque/contract';
import {
  columnNamed,
  type AcrossSite as AcrossSiteAnswer,
  type ColourShare,
  type Look,
  type PlacedColourShare,
  type Setting,
} from '@retoque/core';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { tellWorn } from '../engine/worn';
import { surveyEngine } from '../engine/engine';
import { openPages } from '../engine/open-pages';
import type { ComponentRef } from '../engine/protocol';
import { counted } from '../shell/counted';
import { Notice } from '../shell/Notice';
import { tellDone, tellProblem } from '../shell/toasts';
import { Button } from '../theme/Button';
import { countChecks } from './merge';
import { putShares } from './put-shares';

interface Props {
  readonly colour: string;
  readonly inHand: ComponentRef;
  readonly look: Look;
  /** Pages of the site that are loaded, in its order. */
  readonly site: Site;
  readonly kept: readonly Component[];
  /** Shows the component in hand with its share, or as it is again. */
  readonly onTry: (settings: readonly Setting[] | undefined) => void;
  /** Sets the share of the component in hand, and takes it back. */
  readonly onApply: (settings: readonly Setting[], name: string) => void;
  readonly onUndo: () => void;
  readonly onClose: () => void;
}

/** One colour replaced wherever the components of the site have it: found, looked at, then used as one step. */
export default function AcrossSite(props: Props) {
  const { site, kept, inHand, look, colour, onTry, onApply, onUndo, onClose } = props;
  const client = useQueryClient();
  const [progress, setProgress] = useState({ done: 0, of: 0 });
  const [found, setFound] = useState<AcrossSiteAnswer>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  // What is looked at is the site as it was when the dialog opened.
  const [asked] = useState({ site, kept, inHand, look });
  const stopped = useRef(false);
  useEffect(() => {
    stopped.current = false;
    const step = proxy((done: number, of: number) => {
      if (stopped.current) throw new Error('Stopped.');
      setProgress({ done, of });
    });
    search(client, asked, colour, step).then(
      (answer) => !stopped.current && setFound(answer),
      (error: unknown) => !stopped.current && setProblem((error as Error).message),
    );
    return () => {
      stopped.current = true;
    };
  }, [client, asked, colour]);

  const isInHand = ({ place }: PlacedColourShare) =>
    place.kind === inHand.kind && place.locator.selector === inHand.locator.selector;
  const shares = found?.shares ?? NO_SHARES;
  const own = shares.find(isInHand)?.settings;
  useEffect(() => {
    if (!own) return undefined;
    onTry(own);
    return () => onTry(undefined);
  }, [own, onTry]);
  const use = async () => {
    if (!found?.colours.length) return;
    setBusy(true);
    setProblem(undefined);
    const name = `${colour} → ${found.colours.map(({ css }) => css).join(' and ')} across the site`;
    try {
      const others = shares.filter((share) => !isInHand(share));
      const undoOthers = others.length ? await putShares(client, site.id, others) : undefined;
      if (own) onApply(own, name);
      tellDone(name, () => {
        if (own) onUndo();
        undoOthers?.().catch(tellProblem);
      });
      onClose();
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  };
  const broken = shares.flatMap((share) => share.broken);
  const mended = shares.reduce((sum, share) => sum + countChecks(share.mended), 0);
  return (
    <Dialog.Root open onOpenChange={({ open }) => !open && onClose()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxWidth="640px">
            <Dialog.Header>
              <Dialog.Title>{colour} across the site</Dialog.Title>
            </Dialog.Header>
            <DialogClose />
            <Dialog.Body css={styles}>
              {problem ? <Notice tone="short">{problem}</Notice> : null}
              {!found && !problem ? (
                <p role="status">
                  {progress.of
                    ? `Looking at component ${Math.min(progress.done + 1, progress.of)} of ${progress.of}…`
                    : 'Looking for components…'}
                  <progress max={progress.of || 1} value={progress.done} aria-label="Components looked at" />
                </p>
              ) : null}
              {found && !found.colours.length ? (
                <p>
                  {found.places
                    ? `No colour passes in the ${found.places} places that have ${colour}. Solve the components one by one.`
                    : `No component of the site has ${colour} as its own text, ground or border.`}
                </p>
              ) : null}
              {found?.colours.length ? (
                <>
                  {found.colours.length > 1 ? (
                    <p>No one colour passes everywhere. These {found.colours.length} do, between them; fewer do not:</p>
                  ) : null}
                  {found.colours.map((own) => (
                    <p className="swap" key={own.css}>
                      <i style={{ background: colour }} aria-hidden="true" />
                      <code>{colour}</code> → <i style={{ background: own.css }} aria-hidden="true" />
                      <code>{own.css}</code>
                      <b>in {counted(own.places, 'place')}</b>
                    </p>
                  ))}
                  <p>
                    {counted(shares.length, 'component changes', 'components change')};{' '}
                    {counted(mended, 'check passes', 'checks pass')} that {mended === 1 ? 'fails' : 'fail'} now.
                    {found.left ? ` In ${counted(found.left, 'place')} no colour passes: left as it is.` : ''}
                  </p>
                  {broken.length ? (
                    <Notice tone="short">It makes {counted(broken.length, 'check')} fail: see below which.</Notice>
                  ) : null}
                  <ul aria-label="Components that change">
                    {shares.map((share) => (
                      <li key={`${share.place.kind} ${share.place.locator.selector}`}>
                        <b>{share.name}</b> {isInHand(share) ? <small>in hand</small> : null}
                        <span>{effectWords(share)}</span>
                      </li>
                    ))}
                  </ul>
                </>
              ) : null}
            </Dialog.Body>
            <Dialog.Footer>
              <Button onClick={onClose}>{found?.colours.length ? 'Leave as it is' : 'Close'}</Button>
              {found?.colours.length ? (
                <Button variant="solid" disabled={busy} onClick={() => void use()}>
                  {busy ? 'Saving…' : `Use in ${counted(shares.length, 'component')}`}
                </Button>
              ) : null}
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

/** Looks through all pages of the site, those that nobody has opened yet among them. */
async function search(
  client: QueryClient,
  { site, kept, inHand, look }: Pick<Props, 'site' | 'kept' | 'inHand' | 'look'>,
  colour: string,
  onStep: (done: number, of: number) => void,
): Promise<AcrossSiteAnswer> {
  tellWorn(surveyEngine(), { ...site, siteId: site.id, components: kept });
  await openPages(client, site.pages);
  return surveyEngine().replaceColour(inHand, look, colour, onStep);
}

const NO_SHARES: readonly PlacedColourShare[] = [];

function effectWords({ settings, mended, broken }: ColourShare): string {
  const where = [
    ...new Set(broken.map(({ label, column }) => `${label}, ${columnNamed(column)?.label.toLowerCase()}`)),
  ];
  return [
    counted(settings.length, 'value'),
    ...(mended.length ? [`${countChecks(mended)} more pass`] : []),
    ...(where.length ? [`fails then: ${where.slice(0, 3).join('; ')}`] : []),
  ].join(', ');
}

const styles = {
  '& progress': { display: 'block', width: '100%', marginTop: '8px', accentColor: '{colors.accent}' },
  '& .swap': { display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '6px', marginBottom: '10px' },
  '& .swap i': { width: '22px', height: '22px', borderRadius: 'm', boxShadow: 'inset 0 0 0 1px {colors.swatchEdge}' },
  '& .swap b': { marginLeft: 'auto', fontWeight: 500, color: 'ink2' },
  '& ul': { listStyle: 'none', marginTop: '8px', maxHeight: '300px', overflowY: 'auto' },
  '& li': {
    display: 'flex',
    gap: '8px',
    alignItems: 'baseline',
    padding: '6px 0',
    borderBottom: '1px solid {colors.lineSoft}',
  },
  '& li span': { marginLeft: 'auto', color: 'ink2', fontSize: '12.5px', textAlign: 'right' },
  '& small': { color: 'ink3' },
};
