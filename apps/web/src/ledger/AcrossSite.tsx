import { Dialog, Portal } from '@chakra-ui/react';
import { DialogClose } from '../shell/DialogClose';
import type { Component, LookData } from '@retoque/contract';
import {
  changeLook,
  columnNamed,
  EMPTY_LOOK,
  type ColourShare,
  type Look,
  type Setting,
  type ColourReplacement,
} from '@retoque/core';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { openComponent, pageQuery, saveLooks } from '../api/queries';
import { surveyEngine } from '../engine/engine';
import type { ComponentRef } from '../engine/protocol';
import { Notice } from '../shell/Notice';
import { toaster } from '../shell/toasts';
import { keptLooks } from '../style/kept';
import type { SiteComponent } from '../style/useSiteComponents';
import { Button } from '../theme/Button';
import { countChecks } from './merge';

interface Entry {
  readonly item: SiteComponent;
  readonly ref: ComponentRef;
  readonly look: Look;
  readonly isInHand: boolean;
}

interface Props {
  readonly siteId: string;
  readonly colour: string;
  readonly inHand: ComponentRef;
  readonly look: Look;
  readonly components: readonly SiteComponent[];
  readonly kept: readonly Component[];
  /** Shows the component in hand with its share, or as it is again. */
  readonly onTry: (settings: readonly Setting[] | undefined) => void;
  /** Sets the share of the component in hand, and takes it back. */
  readonly onApply: (settings: readonly Setting[], name: string) => void;
  readonly onUndo: () => void;
  readonly onClose: () => void;
}

const isSame = (item: SiteComponent, { kind, locator }: Pick<ComponentRef, 'kind' | 'locator'>) =>
  item.found.kind === kind && item.found.locator.selector === locator.selector;

/** One colour replaced wherever the components of the site have it: found, looked at, then used as one step. */
export default function AcrossSite(props: Props) {
  const { siteId, colour, onTry, onApply, onUndo, onClose } = props;
  const client = useQueryClient();
  const [done, setDone] = useState(0);
  const [found, setFound] = useState<ColourReplacement>();
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  // What is looked at is the site as it was when the dialog opened.
  const [entries] = useState(() => entriesOf(props, client));
  const stopped = useRef(false);
  useEffect(() => {
    stopped.current = false;
    const step = proxy((count: number) => {
      if (stopped.current) throw new Error('Stopped.');
      setDone(count);
    });
    surveyEngine()
      .replaceColour(
        entries.map(({ ref, look }) => ({ ref, look })),
        colour,
        step,
      )
      .then(
        (answer) => !stopped.current && setFound(answer),
        (error: unknown) => !stopped.current && setProblem((error as Error).message),
      );
    return () => {
      stopped.current = true;
    };
  }, [entries, colour]);

  const shares = entries.flatMap((entry, i) => {
    const share = found?.shares[i];
    return share?.settings.length ? [{ ...entry, share }] : [];
  });
  const own = shares.find(({ isInHand }) => isInHand)?.share.settings;
  useEffect(() => {
    if (!own) return undefined;
    onTry(own);
    return () => onTry(undefined);
  }, [own, onTry]);
  const use = async () => {
    if (!found?.css) return;
    setBusy(true);
    setProblem(undefined);
    const name = `${colour} → ${found.css} across the site`;
    try {
      const others = shares.filter(({ isInHand }) => !isInHand);
      const undoOthers = others.length ? await putShares(client, siteId, others) : undefined;
      if (own) onApply(own, name);
      toaster.create({
        title: name,
        action: {
          label: 'Undo',
          onClick: () => {
            if (own) onUndo();
            undoOthers?.().catch((error: unknown) => toaster.create({ title: (error as Error).message }));
          },
        },
      });
      onClose();
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  };
  const broken = shares.flatMap(({ share }) => share.broken);
  const mended = shares.reduce((sum, { share }) => sum + countChecks(share.mended), 0);
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
                  Looking at component {Math.min(done + 1, entries.length)} of {entries.length}…
                  <progress max={entries.length} value={done} aria-label="Components looked at" />
                </p>
              ) : null}
              {found && !found.css ? (
                <p>
                  {found.places
                    ? `No one colour passes in all ${found.places} places that have ${colour}. Solve the components one by one.`
                    : `No component of the site has ${colour} as its own text, ground or border.`}
                </p>
              ) : null}
              {found?.css ? (
                <>
                  <p className="swap">
                    <i style={{ background: colour }} aria-hidden="true" />
                    <code>{colour}</code> → <i style={{ background: found.css }} aria-hidden="true" />
                    <code>{found.css}</code>
                    <span>
                      in {count(found.places, 'place', 'places')} of {count(shares.length, 'component', 'components')};{' '}
                      {count(mended, 'check passes', 'checks pass')} that {mended === 1 ? 'falls' : 'fall'} short now.
                    </span>
                  </p>
                  {broken.length ? (
                    <Notice tone="short">
                      It makes {count(broken.length, 'check', 'checks')} fall short: see below which.
                    </Notice>
                  ) : null}
                  <ul aria-label="Components that change">
                    {shares.map(({ item, share, isInHand }) => (
                      <li key={`${item.found.kind} ${item.found.selector}`}>
                        <b>{item.found.name}</b> {isInHand ? <small>in hand</small> : null}
                        <span>{effectWords(share)}</span>
                      </li>
                    ))}
                  </ul>
                </>
              ) : null}
            </Dialog.Body>
            <Dialog.Footer>
              <Button onClick={onClose}>{found?.css ? 'Leave as it is' : 'Close'}</Button>
              {found?.css ? (
                <Button variant="solid" disabled={busy} onClick={() => void use()}>
                  {busy ? 'Saving…' : `Use in ${count(shares.length, 'component', 'components')}`}
                </Button>
              ) : null}
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

const count = (number: number, one: string, many: string) => `${number} ${number === 1 ? one : many}`;

function effectWords({ settings, mended, broken }: ColourShare): string {
  const where = [
    ...new Set(broken.map(({ label, column }) => `${label}, ${columnNamed(column)?.label.toLowerCase()}`)),
  ];
  return [
    count(settings.length, 'value', 'values'),
    ...(mended.length ? [`${countChecks(mended)} more pass`] : []),
    ...(where.length ? [`falls short then: ${where.slice(0, 3).join('; ')}`] : []),
  ].join(', ');
}

/** The components of the site with the looks that they wear, each on the first of its pages that is loaded. */
function entriesOf({ inHand, look, components, kept }: Props, client: QueryClient): Entry[] {
  const looks = keptLooks(kept);
  const bounds = inHand.bounds;
  return components.flatMap((item): Entry[] => {
    const isInHand = isSame(item, inHand);
    const page = item.pages.map(({ id }) => client.getQueryData(pageQuery(id).queryKey)).find((own) => own);
    const own = looks.find(({ kind, locator }) => isSame(item, { kind, locator } as ComponentRef));
    if (isInHand)
      return [{ item, ref: { ...inHand, versionId: page?.version.edition ?? inHand.versionId }, look, isInHand }];
    if (!page) return [];
    const others = looks.filter((other) => other !== own && other.look.settings.length);
    const ref: ComponentRef = {
      versionId: page.version.edition,
      pageId: page.id,
      kind: item.found.kind,
      locator: item.found.locator,
      parts: own?.look.parts,
      bounds,
      others,
    };
    return [{ item, ref, look: own?.look ?? EMPTY_LOOK, isInHand }];
  });
}

/**
 * Saves shares of other components, all or none.
 *
 * @returns what takes them back
 */
async function putShares(
  client: QueryClient,
  siteId: string,
  shares: readonly (Entry & { readonly share: ColourShare })[],
): Promise<() => Promise<unknown>> {
  const before = new Map<string, LookData>();
  const looks = [];
  for (const { item, ref, share } of shares) {
    const { kind, name, locator } = item.found;
    // One that nobody has touched yet is kept from now on.
    const stored = await openComponent({ pageId: ref.pageId!, kind, name, locator: structuredClone(locator) as never });
    const trial = stored.trials.find(({ id }) => id === stored.currentTrialId)!;
    before.set(trial.id, trial.look);
    looks.push({
      componentId: stored.id,
      trialId: trial.id,
      baseRevision: trial.revision,
      saveId: crypto.randomUUID(),
      look: changeLook(trial.look, share.settings) as LookData,
    });
  }
  const saved = await saveLooks(client, siteId, looks);
  return () =>
    saveLooks(
      client,
      siteId,
      saved.map(({ componentId, trialId, revision }) => ({
        componentId,
        trialId,
        baseRevision: revision,
        saveId: crypto.randomUUID(),
        look: before.get(trialId)!,
      })),
    );
}

const styles = {
  '& progress': { display: 'block', width: '100%', marginTop: '8px', accentColor: '{colors.accent}' },
  '& .swap': { display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '6px', marginBottom: '10px' },
  '& .swap i': { width: '22px', height: '22px', borderRadius: 'm', boxShadow: 'inset 0 0 0 1px {colors.swatchEdge}' },
  '& .swap span': { flexBasis: '100%', color: 'ink2' },
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
