import { Dialog, Portal } from '@chakra-ui/react';
import { DialogClose } from '../shell/DialogClose';
import type { Page, Site } from '@retoque/contract';
import { behavioursNamed, KINDS, kindNamed, starterOf, withFreshIds, type ChangePlace } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useCallback, useState } from 'react';
import { useNavigate } from 'react-router';
import { useOpenComponent, usePageChanges } from '../api/queries';
import { engine, enginePage } from '../engine/engine';
import { SafeFrame } from '../frame/SafeFrame';
import { stylePath } from '../shell/paths';
import { Segments } from '../shell/Segments';
import { toaster } from '../shell/toasts';
import { Button } from '../theme/Button';
import { PlacePad } from './PlacePad';
import { anewStyles } from '../theme/styles/anewStyles';

const PLACES: readonly { readonly value: ChangePlace; readonly label: string; readonly hint: string }[] = [
  { value: 'before', label: 'Before it', hint: 'In front of what is chosen' },
  { value: 'after', label: 'After it', hint: 'Behind what is chosen' },
  { value: 'first', label: 'First in it', hint: 'Inside, in front of all else' },
  { value: 'last', label: 'Last in it', hint: 'Inside, behind all else' },
  { value: 'instead', label: 'In its place', hint: 'What is chosen is taken away' },
];

/** Makes a component anew: a kind is chosen, and a place on the page. */
export default function AddComponent({ site, page, onClose }: { site: Site; page: Page; onClose: () => void }) {
  const navigate = useNavigate();
  const [kindName, setKindName] = useState(KINDS.find(({ madeOfText }) => madeOfText)!.name);
  const [order, setOrder] = useState<number>();
  const [place, setPlace] = useState<ChangePlace>('after');
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const { add } = usePageChanges(page.id);
  const open = useOpenComponent();
  const kind = kindNamed(kindName)!;
  const starter = starterOf(kindName)!;
  const named = behavioursNamed(starter.html);
  const doings = (kind.behaviours ?? []).filter(({ name }) => named.includes(name));
  const versionId = page.version.edition;
  const at = useQuery({
    queryKey: ['engine', 'place', versionId, order],
    enabled: order !== undefined,
    retry: false,
    staleTime: Infinity,
    queryFn: () => engine().placeAt(versionId, order!),
  });
  const pick = useCallback((next: number) => {
    setProblem(undefined);
    setOrder(next);
  }, []);

  const put = async () => {
    if (!at.data) return;
    setBusy(true);
    try {
      const next = await add.mutateAsync({
        kind: kind.name,
        name: kind.label,
        locator: structuredClone(at.data.locator) as never,
        place,
        html: withFreshIds(starter.html, page.version.html),
        css: starter.css,
        before: place === 'instead' ? at.data.html : null,
      });
      await engine().open(enginePage(next));
      const found = await engine().list(next.version.edition, []);
      const root = /class="([\w-]+)/.exec(starter.html)?.[1] ?? '';
      const own = found.filter((item) => item.kind === kind.name);
      const made = own.find((item) => item.selector.includes(root)) ?? own.at(-1);
      if (!made) {
        toaster.create({ title: `The ${kind.label.toLowerCase()} is on the page, but it is not seen there as one.` });
        return onClose();
      }
      const stored = await open.mutateAsync({
        pageId: page.id,
        kind: made.kind,
        name: made.name,
        locator: structuredClone(made.locator) as never,
      });
      onClose();
      await navigate(stylePath(site.id, page.id, stored.id));
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    } finally {
      setBusy(false);
    }
  };
  const words = problem ?? (at.error ? at.error.message : undefined);
  return (
    <Dialog.Root open closeOnInteractOutside={false} onOpenChange={({ open: isOpen }) => !isOpen && onClose()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner padding={{ base: '0!', md: '18px!' }}>
          <Dialog.Content className="anew" css={anewStyles} maxWidth="none!">
            <Dialog.Header>
              <Dialog.Title>Add a component</Dialog.Title>
            </Dialog.Header>
            <DialogClose />
            <div className="anew-body">
              <div className="kinds" role="radiogroup" aria-label="What to make">
                {KINDS.map((item) => (
                  <label key={item.name}>
                    <input
                      type="radio"
                      name="kind"
                      value={item.name}
                      checked={item.name === kindName}
                      onChange={() => setKindName(item.name)}
                    />
                    {item.label}
                  </label>
                ))}
              </div>
              <div className="sample">
                <div className="quiet">What it starts from; everything about it can be changed.</div>
                <SafeFrame
                  html={`<!doctype html><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'"><style>body { margin: 14px; font: 15px/1.5 system-ui } dialog { position: static; display: block }${starter.css}</style>${starter.html.replace('<dialog ', '<dialog open ')}`}
                  title={`A new ${kind.label.toLowerCase()}`}
                  hidden
                  style={{ width: '100%', height: '100%' }}
                />
                {doings.length ? (
                  <p className="quiet">
                    Comes with a script: {doings.map(({ label }) => label.toLowerCase()).join(', ')}. It runs under “Try
                    it live”.
                  </p>
                ) : null}
                {starter.needs ? <p className="quiet">{starter.needs}</p> : null}
              </div>
              <div className="where">
                <div className="line">
                  <span>
                    {at.data ? (
                      <>
                        Chosen: <b>“{at.data.name}”</b>
                      </>
                    ) : (
                      'Click on the page where it belongs.'
                    )}
                  </span>
                  <Segments label="Place" value={place} choices={PLACES} onChange={setPlace} />
                </div>
                <PlacePad versionId={versionId} order={order} place={place} onPick={pick} />
                <div className="line">
                  {words ? (
                    <span role="alert" className="problem">
                      {words}
                    </span>
                  ) : (
                    <span className="quiet">
                      The page as it was brought stays as it is; this can be taken off again.
                    </span>
                  )}
                  <Button variant="solid" disabled={!at.data || busy} onClick={() => void put()}>
                    {busy ? 'Putting it there…' : `Add the ${kind.label.toLowerCase()}`}
                  </Button>
                </div>
              </div>
            </div>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
