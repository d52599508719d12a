import type { LookData, Trial } from '@retoque/contract';
import { partNamed, withOwnParts, type Look, type ViewportName } from '@retoque/core';
import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { late } from '../../shell/late';
import { useMeasuring } from '../../measuring/useMeasuring';
import { useSteady } from '../../shell/useSteady';
import { HandContext } from '../editor/hand';
import { comparing, showsWidths, WIDTHS } from '../frames/frames-view';
import { PictureHandle } from '../frames/PictureHandle';
import { useFrameLook } from '../frames/useFrameLook';
import { useWidths } from '../frames/useWidths';
import { ViewMenu } from '../frames/ViewMenu';
import { PartNote } from '../grid/PartNote';
import type { GridActions } from '../grid/grid-actions';
import { useFirstShown, useGridState } from '../grid/useGridState';
import { useGridView } from '../grid/useGridView';
import { requireKind } from '../look/cells';
import { useLookEditor } from '../look/useLookEditor';
import type { Shelf } from '../saving/unsaved';
import { reachElsewhere } from '../reach/reach-words';
import { useSiteFiles } from '../site/useSiteFiles';
import { reachWords } from './bench';
import { useRemedies } from './useRemedies';
import { useOwnParts } from '../grid/useOwnParts';
import type { KeptMemory } from './bench-memory';
import { BenchBar } from './BenchBar';
import { ON_FIRST_TOUCH } from './on-first-touch';
import { BenchNotes } from './BenchNotes';
import { isBase, placeWords } from './EditingBar';
import { EditorPane } from './EditorPane';
import { FramesPane } from './FramesPane';
import { PreviewButton } from './PreviewButton';
import { LookSharing } from './LookSharing';
import { Rail } from './Rail';
import { ReachButton } from '../reach/ReachButton';
import { ScopeBar } from './ScopeBar';
import { SheetPane } from './SheetPane';
import { Trials } from './Trials';
import { useAskedPart } from './useAskedPart';
import { useBenchCommands } from './useBenchCommands';
import { useBenchSaving } from './useBenchSaving';
import { useBenchKeys } from './useBenchKeys';
import { useBenchQuery } from './useBenchQuery';
import { useCellEdits } from './useCellEdits';
import { useCellSiteValue } from './useCellSiteValue';
import { useDialogs } from './useDialogs';
import { useHandValue } from './useHandValue';
import { useMemory, useRemembered } from './useMemory';
import { useOpened, type Styled } from './useOpened';
import { usePageMarkup } from './usePageMarkup';
import { useExceptions, usePlace } from './usePlace';
import { useRail } from './useRail';
import { useSheet } from './useSheet';
import { useSiteValues } from './useSiteValues';

const Ledger = late(() => import('../../ledger/Ledger'), <p className="ledger-empty">Working out every check…</p>);
const BenchDialogs = late(() => import('./BenchDialogs'));
const Conflict = late(() => import('../saving/Conflict'));

const NO_PARTS: never[] = [];

/** The main screen: one component in all its states, the state sheet below, the editor of the chosen cell beside. */
export function StyleBench({
  styled,
  trial,
  shelf,
  memory,
}: {
  styled: Styled;
  trial: Trial;
  /** Where this window keeps what it could not send. */
  shelf: Shelf;
  /** What was open in the version before. */
  memory: KeptMemory;
}) {
  const { site, page, versionId, component, kept } = styled;
  const kind = useMemo(() => requireKind(component.kind), [component.kind]);
  const remembered = useRemembered(memory, component.id, trial.look as Look);
  const placing = usePlace(page.id, remembered);
  const { viewport, setViewport, place } = placing;
  const state = useGridState(kind, remembered?.sheet);
  const { view, setView, tab, setTab } = useMemory(memory, component.id, remembered, state, placing);
  const [parts, setParts] = useState<Parameters<typeof useLookEditor>[2]>(NO_PARTS);

  // The look, its history and its saving. What a closed window could not send any more is taken up again.
  const asker = useRef<(look: Look) => void>(undefined);
  const askAhead = useCallback((next: Look) => asker.current?.(next), []);
  const editor = useLookEditor(kind, () => shelf.read()?.look ?? trial.look, parts, place, askAhead);
  const { look, history } = editor;
  const called = useMemo(() => withOwnParts(kind, look), [kind, look]);
  const takeNewer = useSteady((newer: LookData) => editor.replace(newer, 'Newer version from another window'));

  // What it comes to.
  const { ref, found, error: lost, ready } = useOpened(styled, look);
  const files = useSiteFiles(site.id);
  const measuring = useMeasuring(page.id, ready, look, viewport);
  const { measured } = measuring;
  const query = useBenchQuery(state, viewport, place, files, measured, view.alone);
  const frames = useFrameLook();
  const { sheet, error, ask } = useSheet(ready, look, query, frames.take);
  useLayoutEffect(() => {
    asker.current = ask;
  }, [ask]);
  const widths = useWidths(ready, look, viewport, place, showsWidths(view), view.alone);
  if (sheet && sheet.parts !== parts) setParts(sheet.parts);
  useFirstShown(sheet, kind, state, remembered !== undefined);
  useAskedPart(ready, sheet !== undefined, state);
  const gridView = useGridView(sheet, state);
  const { active, part } = gridView;
  const siteValues = useSiteValues(versionId, sheet !== undefined);
  const rail = useRail(site, page, component, kept, sheet);

  // Where it holds, and whether it is safe.
  const holding = { trial, look, editor, shelf };
  const { reaching, save, rivals } = useBenchSaving(styled, holding, ready, rail.pending, takeNewer);

  // What is done.
  const edits = useCellEdits(called, sheet, gridView, editor);
  const exceptions = useExceptions(editor, placing);
  const undo = useSteady(editor.undo);
  const redo = useSteady(editor.redo);
  const go = useSteady(editor.go);
  const lookNow = useSteady(() => look);
  const remedies = useRemedies(editor, ask, undo);
  const goToCheck = useSteady((partName: string, column: string, width: string) => {
    if (WIDTHS.includes(width as ViewportName)) setViewport(width as ViewportName);
    state.actions.column(column, partName);
  });

  // Where one is on the screen.
  const field = useRef<HTMLInputElement>(null);
  const grid = useRef<HTMLDivElement>(null);
  const finder = useRef<HTMLInputElement>(null);
  const backToGrid = useCallback(() => grid.current?.querySelector<HTMLElement>('.cell[data-head]')?.focus(), []);
  const actions = useMemo(
    (): GridActions => ({ ...state.actions, edit: () => field.current?.focus(), clear: edits.clear }),
    [state.actions, edits.clear],
  );
  const dialogs = useDialogs();
  const { show, close } = dialogs;
  const openPreview = useCallback(() => show('preview'), [show]);
  const openAnew = useCallback(() => show('anew'), [show]);
  const openPointing = useCallback(() => show('pointing'), [show]);
  const markup = usePageMarkup(styled, close);
  const [across, setAcross] = useState<string>();
  const own = useOwnParts(ref, editor, sheet, gridView, close);

  const find = useCallback(() => finder.current?.focus(), []);
  const commands = useBenchCommands({
    styled,
    sheet,
    editor,
    edits,
    placing,
    state,
    view: gridView,
    edit: actions.edit,
    find,
    show,
  });
  const untouched = useBenchKeys(commands, dialogs.open !== undefined);
  const { setUntouched } = frames;
  useLayoutEffect(() => setUntouched(untouched), [untouched, setUntouched]);

  const cellSite = useCellSiteValue({ site, kind, component: ref, address: active.head, lookNow, editor, undo });
  const hand = useHandValue({
    kind: called,
    component: ref,
    look,
    lookNow,
    query,
    viewport,
    measured,
    onTry: remedies.tryOut,
    onApply: remedies.apply,
  });
  const problems = [
    save.state.kind === 'refused' ? save.state.message : undefined,
    (lost ?? error)?.message,
    ...(sheet?.problems ?? []),
  ].filter((message): message is string => Boolean(message));
  const partNote = (
    <PartNote
      key={active.head.part + (own.pointed ?? '')}
      versionId={versionId}
      part={part}
      isOwn={part !== undefined && !partNamed(kind, part.name)}
      own={own}
      onPoint={openPointing}
    />
  );

  return (
    <HandContext value={hand}>
      <div className="bench" {...ON_FIRST_TOUCH}>
        <div className="over">
          <BenchBar
            siteName={site.name}
            siteId={site.id}
            pageId={page.id}
            componentId={component.id}
            save={save.state}
            history={history}
            onRetry={save.retry}
            onUndo={undo}
            onRedo={redo}
            onGo={go}
          />
        </div>
        <Rail
          components={rail.components}
          pages={site.pages}
          pending={rail.pending}
          currentSelector={component.locator.selector}
          currentKind={component.kind}
          onPick={rail.pick}
          onAdd={openAnew}
        />
        <main>
          <div className="in-sight">
            {save.state.kind === 'conflict' ? (
              <Conflict
                rival={save.state}
                look={look}
                kind={called}
                busy={rivals.busy}
                onMerge={rivals.merge}
                onLoad={rivals.load}
                onKeepBoth={rivals.keepBoth}
              />
            ) : null}
            <BenchNotes
              problems={problems}
              styled={styled}
              component={ref}
              found={found}
              editor={editor}
              used={remedies.used}
            />
            <div className="bench-head">
              <h1>{component.name}</h1>
              <div className="reach">
                <span>
                  {found ? reachWords(kind.label, kind.plural, found.reach) : ''}{' '}
                  <code>{part?.selector ?? found?.selector}</code>
                </span>
              </div>
              <ReachButton words={reachElsewhere(reaching.reach, page.id)} onOpen={() => show('reach')} />
              <ViewMenu component={ready} viewport={viewport} view={view} onChange={setView} />
              <PreviewButton onOpen={openPreview} />
              <LookSharing styled={styled} editor={editor} />
              <Trials
                component={component}
                busy={rivals.busy}
                compared={view.beside === 'versions'}
                onChoose={rivals.choose}
                onAdd={rivals.addAnother}
                onCompare={() => setView(comparing(view))}
              />
            </div>
            <FramesPane
              styled={styled}
              trialId={trial.id}
              component={ready}
              sheet={sheet}
              grid={gridView}
              state={state}
              placing={placing}
              view={view}
              widths={widths}
              frames={frames}
              look={look}
              untouched={untouched}
              rivals={rivals}
              onTake={editor.replace}
            />
          </div>
          <PictureHandle />
          <ScopeBar
            styled={styled}
            component={ref}
            placing={placing}
            grid={gridView}
            look={look}
            exceptions={exceptions}
            taken={own.taken}
          />
          <div className="rows">
            {sheet ? (
              <SheetPane
                sheet={sheet}
                state={state}
                view={gridView}
                actions={actions}
                edits={edits}
                tab={tab}
                where={placeWords(place, look.exceptions, page.name, site.bounds)}
                isBase={isBase(place)}
                grid={grid}
                finder={finder}
                ledger={
                  <Ledger
                    component={ref}
                    look={look}
                    place={place}
                    added={state.added}
                    measured={measured}
                    measuring={measuring}
                    viewport={viewport}
                    parts={sheet.parts}
                    onGo={goToCheck}
                    onTry={remedies.tryOut}
                    onApply={remedies.apply}
                    onAcross={setAcross}
                  />
                }
                onTab={setTab}
                taken={own.taken}
                onPart={editor.correctPart}
                onLeave={backToGrid}
                onDialog={show}
              />
            ) : null}
          </div>
        </main>
        <EditorPane
          sheet={sheet}
          view={gridView}
          cellSite={cellSite}
          site={siteValues}
          field={field}
          partNote={partNote}
          edits={edits}
          onApart={exceptions.add}
          onLeave={backToGrid}
        />
        {measuring.frame}
        {dialogs.open || dialogs.listed || across !== undefined || reaching.asks ? (
          <BenchDialogs
            styled={styled}
            found={found}
            dialogs={dialogs}
            grid={gridView}
            commands={commands}
            markup={markup}
            across={across}
            reaching={reaching}
            editor={editor}
            placing={placing}
            onPoint={own.pick}
            onAcross={editor.apply}
            onUndo={undo}
            onLeaveAcross={() => setAcross(undefined)}
          />
        ) : null}
      </div>
    </HandContext>
  );
}
