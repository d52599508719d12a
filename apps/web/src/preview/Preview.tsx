import { Dialog, Flex, Portal } from '@chakra-ui/react';
import { DialogClose } from '../shell/DialogClose';
import {
  behavioursNamed,
  kindNamed,
  type GivenBehaviour,
  markStates,
  type EditingPlace,
  type Look,
  type StateColumn,
  type ViewportName,
} from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { engine } from '../engine/engine';
import type { ComponentRef } from '../engine/protocol';
import { refKey } from '../engine/ref-key';
import { Segments } from '../shell/Segments';
import { VIEWPORT_CHOICES } from '../shell/viewports';
import ClockBar from './ClockBar';
import GiveBehaviour from './GiveBehaviour';
import Moments from './Moments';
import { PreviewFrame } from './PreviewFrame';
import { usePreviewTime } from './preview-time';
import { Wipe } from './Wipe';
import { Wording } from './Wording';
import { previewStyles } from '../theme/styles/previewStyles';

const SLOW = 0.2;
type Mode = 'live' | 'moments' | 'wipe' | 'beside' | 'wording';

/** The component on its whole page: to be tried with pointer and keyboard, or as it is beside as it will be. */
export default function Preview({
  name,
  component,
  part,
  columns,
  column,
  place,
  look,
  order,
  root,
  path,
  keeping,
  onKeep,
  onGive,
  onClose,
}: {
  name: string;
  component: ComponentRef;
  part: string;
  columns: readonly StateColumn[];
  /** The state in hand. */
  column: string;
  place: EditingPlace;
  look: Look;
  /** Of the element that stands for the part, in the document. */
  order: number;
  /** The component itself, in the document. */
  root: number;
  /** Of the page on its site. */
  path: string;
  keeping: boolean;
  /** Has other markup in the component's place. */
  onKeep: (html: string, before: string) => void;
  /** Has the component do something more. */
  onGive: (given: GivenBehaviour, label: string) => void;
  onClose: () => void;
}) {
  const [mode, setMode] = useState<Mode>('live');
  const time = usePreviewTime(path);
  const [viewport, setViewport] = useState<ViewportName>(place.viewport ?? 'wide');
  const [state, setState] = useState(column);
  const [slow, setSlow] = useState(false);
  const [wipe, setWipe] = useState(50);
  const [touch, setTouch] = useState(false);
  const [markup, setMarkup] = useState<string>();
  const touched = mode === 'live' && touch;
  const live = useQuery({
    queryKey: ['engine', 'live', component.versionId, ...(touched ? ['touch'] : [])],
    staleTime: Infinity,
    queryFn: () => engine().liveFrame(component.versionId, touched),
  });
  const css = useQuery({
    queryKey: ['engine', 'live-css', refKey(component), look],
    staleTime: Infinity,
    queryFn: () => engine().liveCss(component, look),
  });
  const still = useQuery({
    queryKey: ['engine', 'still', refKey(component), part, state, viewport, place, look.exceptions],
    enabled: mode === 'wipe' || mode === 'beside',
    staleTime: Infinity,
    queryFn: () => engine().stillFrame(component, part, state, viewport, look.exceptions, place),
  });
  const own = useQuery({
    queryKey: ['engine', 'place', component.versionId, root],
    staleTime: Infinity,
    retry: false,
    queryFn: () => engine().placeAt(component.versionId, root),
  });
  const pictures = useQuery({
    queryKey: ['engine', 'pictures', component.versionId],
    enabled: mode === 'wording',
    staleTime: Infinity,
    queryFn: () => engine().pictures(component.versionId),
  });
  const behaviours = useMemo(() => behavioursNamed(own.data?.html ?? ''), [own.data]);
  const lacking = useMemo(
    () => (kindNamed(component.kind)?.behaviours ?? []).filter(({ name }) => !behaviours.includes(name)),
    [component.kind, behaviours],
  );
  // With markers in place of states, as still pages have them.
  const after = useMemo(() => markStates(css.data ?? ''), [css.data]);
  const stillFrame = (title: string, own: string) => (
    <PreviewFrame
      html={still.data?.html}
      css={own}
      order={still.data?.order ?? order}
      viewport={viewport}
      title={title}
      live={false}
      speed={1}
    >
      <span className="preview-name">{title}</span>
    </PreviewFrame>
  );
  return (
    <Dialog.Root open closeOnInteractOutside={false} onOpenChange={({ open }) => !open && onClose()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner padding={{ base: '0!', md: '18px!' }}>
          <Dialog.Content className="preview" css={previewStyles} maxWidth="none!">
            <Flex className="preview-bar" role="group" aria-label="What is shown">
              <Dialog.Title fontSize="15px!" mr="6px">
                Preview: {name}
              </Dialog.Title>
              <Segments
                label="Preview"
                value={mode}
                choices={[
                  { value: 'live', label: 'Live', hint: 'Point at it, focus it, press it' },
                  ...(behaviours.length
                    ? [
                        {
                          value: 'moments' as const,
                          label: 'Moments',
                          hint: 'What it shows one after the other, at once',
                        },
                      ]
                    : []),
                  { value: 'wipe', label: 'Before and after', hint: 'One over the other' },
                  { value: 'beside', label: 'Side by side' },
                  { value: 'wording', label: 'Wording', hint: 'Other texts, order and links' },
                ]}
                onChange={setMode}
              />
              <Segments label="Width of the page" value={viewport} choices={VIEWPORT_CHOICES} onChange={setViewport} />
              {mode === 'live' ? (
                <>
                  <label className="check-line">
                    <input type="checkbox" checked={slow} onChange={(event) => setSlow(event.target.checked)} />
                    Slow motion
                  </label>
                  <label className="check-line" title="Nothing hovers but what was touched last, as on a phone">
                    <input type="checkbox" checked={touch} onChange={(event) => setTouch(event.target.checked)} />
                    Touch
                  </label>
                  <ClockBar time={time} />
                  {own.data ? (
                    <GiveBehaviour component={component} behaviours={lacking} busy={keeping} onGive={onGive} />
                  ) : null}
                </>
              ) : mode === 'wording' || mode === 'moments' ? null : (
                <select aria-label="State" value={state} onChange={(event) => setState(event.target.value)}>
                  {columns.map((item) => (
                    <option key={item.name} value={item.name}>
                      {item.label}
                    </option>
                  ))}
                </select>
              )}
            </Flex>
            <DialogClose />
            <div className="preview-stage" data-mode={mode}>
              {mode === 'wording' ? (
                <>
                  <PreviewFrame
                    html={live.data}
                    css={css.data ?? ''}
                    order={root}
                    viewport={viewport}
                    title="The page with other words"
                    live
                    speed={1}
                    markup={markup}
                    pictures={pictures.data}
                  />
                  {own.data ? (
                    <Wording
                      html={own.data.html}
                      busy={keeping}
                      onChange={setMarkup}
                      onKeep={(html) => onKeep(html, own.data.html)}
                    />
                  ) : (
                    <p className="small">{own.error?.message ?? 'Reading the component…'}</p>
                  )}
                </>
              ) : mode === 'moments' ? (
                <Moments
                  html={css.data === undefined ? undefined : live.data}
                  css={css.data ?? ''}
                  order={root}
                  viewport={viewport}
                  behaviours={behaviours}
                  markup={own.data?.html ?? ''}
                />
              ) : mode === 'live' ? (
                <PreviewFrame
                  key={touched ? 'touch' : 'pointer'}
                  touch={touched}
                  html={live.data}
                  css={css.data ?? ''}
                  order={order}
                  viewport={viewport}
                  title="The page, live"
                  live
                  speed={slow ? SLOW : 1}
                  time={time}
                />
              ) : mode === 'beside' ? (
                <>
                  {stillFrame('As it is', '')}
                  {stillFrame('As it will be', after)}
                </>
              ) : (
                <Wipe
                  at={wipe}
                  onChange={setWipe}
                  before={stillFrame('As it is', '')}
                  after={stillFrame('As it will be', after)}
                />
              )}
            </div>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
