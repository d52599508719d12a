import type { Component, LookData, Page, PageChangeRecord, Site, Trial } from '@retoque/contract';
import {
  changeLook,
  rowNamed,
  type EditingPlace,
  type Exception,
  type FrameRules,
  type Look,
  type Setting,
  type StateColumn,
  type ViewportName,
} from '@retoque/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import {
  lazy,
  Suspense,
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ClipboardEvent,
} from 'react';
import { useNavigate } from 'react-router';
import { changeHolding } from '../../anew/change-of';
import { useAddTrial, useChangeComponent, useOpenComponent, usePageChanges } from '../../api/queries';
import { engine } from '../../engine/engine';
import type { ComponentRef, SheetQuery } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { createLookStore } from '../../frame/look-store';
import { Hint } from '../../shell/Hint';
import { Notice } from '../../shell/Notice';
import { handoverPath, stylePath, surveyPath } from '../../shell/paths';
import { toaster } from '../../shell/toasts';
import { useSteady } from '../../shell/useSteady';
import { useStable } from '../../shell/useStable';
import { AddState } from '../grid/AddState';
import { BenchBar } from './BenchBar';
import { countsOf, Legend, nearest, reachWords, withCurrent } from './bench';
import { requireKind, sameAddress } from '../look/cells';
import { useCommands } from './useCommands';
import { asCss, asTable } from '../grid/clipboard';
import { Conflict } from '../saving/Conflict';
import { Editor } from '../editor/Editor';
import { EDITOR_ROWS } from '../editor/values';
import { EditingBar, isBase, placeWords } from './EditingBar';
import { Exceptions } from './Exceptions';
import { Frames } from '../frames/Frames';
import { PLAIN_VIEW, WIDTHS } from '../frames/frames-view';
import { Imposter } from './Imposter';
import { useWorn } from '../site/useWorn';
import { MadeHere } from './MadeHere';
import { PartNote } from '../grid/PartNote';
import { PreviewButton } from './PreviewButton';
import { Rail } from './Rail';
import { cellsOf, oneCell, rangeOf, type Selection, type ShownRow } from '../grid/selection';
import { SheetBar, type BenchTab } from '../grid/SheetBar';
import { CellSiteContext, type CellSite } from '../editor/site-context';
import { StateGrid, type GridActions } from '../grid/StateGrid';
import { Trials } from './Trials';
import { loadReader, withReader } from '../grid/reading';
import type { Shelf } from '../saving/unsaved';
import { useAutosave } from '../saving/useAutosave';
import { useBenchKeys } from './useBenchKeys';
import { cellsName, useLookEditor } from '../look/useLookEditor';
import { useSheet } from './useSheet';
import { useWidths } from '../frames/useWidths';
import { useMeasuring } from '../../measuring/useMeasuring';
import { ViewMenu } from '../frames/ViewMenu';
import { useSiteFiles } from '../site/useSiteFiles';
import { useSiteComponents, type SiteComponent } from '../site/useSiteComponents';

const Preview = lazy(() => import('../../preview/Preview'));
const AddComponent = lazy(() => import('../../anew/AddComponent'));
const CommandPalette = lazy(() => import('./CommandPalette'));
const Pointing = lazy(() => import('../grid/Pointing'));
const Ledger = lazy(() => import('../../ledger/Ledger'));
const AcrossSite = lazy(() => import('../../ledger/AcrossSite'));
const Shortcuts = lazy(() => import('./Shortcuts'));

const NO_PARTS: never[] = [];
const NO_CHECKS: never[] = [];
const NO_COLOURS: never[] = [];
const NO_FAMILIES: never[] = [];
const NO_COMMANDS: never[] = [];
const NO_RULES: readonly FrameRules[] = [];

/** The main screen: one component in all its states, the state sheet below, the editor of the chosen cell beside. */
export function StyleBench({
  site,
  page,
  versionId,
  component,
  trial,
  shelf,
  kept,
}: {
  site: Site;
  page: Page;
  versionId: string;
  component: Component;
  trial: Trial;
  /** Where this window keeps what it could not send. */
  shelf: Shelf;
  kept: readonly Component[];
}) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const kind = useMemo(() => requireKind(component.kind), [component.kind]);
  const [viewport, setViewport] = useState<ViewportName>('wide');
  const [condition, setCondition] = useState<Omit<EditingPlace, 'viewport'>>({});
  const place = useMemo(
    (): EditingPlace => ({ ...condition, viewport: viewport === 'wide' ? undefined : viewport }),
    [condition, viewport],
  );
  const [unfolded, setUnfolded] = useState<readonly string[]>([kind.parts[0]!.name]);
  const [whole, setWhole] = useState<readonly string[]>([]);
  const [added, setAdded] = useState<readonly string[]>([]);
  const [search, setSearch] = useState('');
  const [selection, setSelection] = useState<Selection>(() =>
    oneCell({ part: kind.parts[0]!.name, row: kind.parts[0]!.first[0]!, column: 'hover' }),
  );
  const [view, setView] = useState(PLAIN_VIEW);
  const [tab, setTab] = useState<BenchTab>('values');
  const [parts, setParts] = useState<Parameters<typeof useLookEditor>[2]>(NO_PARTS);
  // What a closed window could not send any more is taken up again.
  const asker = useRef<(look: Look) => void>(undefined);
  const askAhead = useCallback((next: Look) => asker.current?.(next), []);
  const editor = useLookEditor(kind, () => shelf.read()?.look ?? trial.look, parts, place, askAhead);
  const { look, history } = editor;
  const takeNewer = useSteady((newer: LookData) => editor.replace(newer, 'Newer version from another window'));
  const save = useAutosave(component.id, trial, look as LookData, shelf, takeNewer);

  const corrected = JSON.stringify(look.parts ?? {});
  const worn = useWorn(site, kept, component.id);
  const ref = useMemo(
    (): ComponentRef => ({
      versionId,
      pageId: page.id,
      kind: component.kind,
      locator: component.locator,
      parts: JSON.parse(corrected) as Record<string, string>,
      worn,
    }),
    [versionId, page.id, component.kind, component.locator, corrected, worn],
  );
  const unfoldedSet = useMemo(() => new Set(unfolded), [unfolded]);
  const wholeSet = useMemo(() => new Set(whole), [whole]);
  const searching = search.trim() !== '';
  // What the editor of the chosen row shows besides it.
  const headRow = rowNamed(selection.head.row);
  const besides = headRow && EDITOR_ROWS[headRow.editor];
  const also = useMemo(() => besides && { part: selection.head.part, rows: besides }, [besides, selection.head.part]);
  const files = useSiteFiles(site.id);
  const opened = useQuery({
    queryKey: ['engine', 'component', refKey(ref)],
    staleTime: Infinity,
    retry: false,
    queryFn: () => engine().component(ref),
  });
  const measuring = useMeasuring(page.id, opened.data ? ref : undefined, look, viewport);
  const { measured } = measuring;
  const query = useMemo(
    (): SheetQuery => ({
      viewport,
      place,
      unfolded,
      whole: searching ? unfolded : whole,
      added,
      also,
      files,
      measured,
    }),
    [viewport, place, unfolded, whole, added, also, searching, files, measured],
  );
  const field = useRef<HTMLInputElement>(null);
  const grid = useRef<HTMLDivElement>(null);
  const finder = useRef<HTMLInputElement>(null);
  const [dialog, setDialog] = useState<'commands' | 'keys' | 'pointing' | 'preview' | 'anew'>();
  // Once they were opened they stay, so that they close as they open.
  const [lists, setLists] = useState(false);
  if (!lists && (dialog === 'commands' || dialog === 'keys')) setLists(true);
  const [pointed, setPointed] = useState<string>();
  const [across, setAcross] = useState<string>();
  const siteComponents = useSiteComponents(site.id, site.pages, kept, site.bounds);

  const colours = useQuery({
    queryKey: ['engine', 'colours', versionId],
    staleTime: Infinity,
    queryFn: () => engine().siteColours(versionId),
  });
  const fonts = useQuery({
    queryKey: ['engine', 'families', versionId],
    staleTime: Infinity,
    queryFn: () => engine().siteFamilies(versionId),
  });
  const [frameLook] = useState(createLookStore);
  const rules = useRef<readonly FrameRules[]>(NO_RULES);
  const isUntouched = useRef(false);
  const showFrames = useCallback(() => frameLook.set(isUntouched.current ? NO_RULES : rules.current), [frameLook]);
  const takeFrames = useCallback(
    (next: readonly FrameRules[]) => {
      rules.current = next;
      showFrames();
    },
    [showFrames],
  );
  const { sheet, error, ask } = useSheet(opened.data ? ref : undefined, look, query, takeFrames);
  useLayoutEffect(() => {
    asker.current = ask;
  }, [ask]);
  const widths = useWidths(opened.data ? ref : undefined, look, viewport, place, view.beside !== 'states');
  if (sheet && sheet.parts !== parts) setParts(sheet.parts);

  // The first sheet shows what falls short, if anything does.
  const settled = useRef(false);
  useEffect(() => {
    if (!sheet || settled.current) return;
    settled.current = true;
    const first = sheet.parts.find((part) => part.short > 0) ?? sheet.parts[0];
    if (!first) return;
    setUnfolded((now) => (now.includes(first.name) ? now : [first.name]));
    const short = sheet.checks.find((check) => check.part === first.name && check.verdict === 'short');
    const row = kind.parts.find((part) => part.name === first.name)?.first[0] ?? 'text';
    const column = short?.column ?? (first.columns.includes('hover') ? 'hover' : first.columns[0]!);
    setSelection(oneCell({ part: first.name, row, column }));
  }, [sheet, kind]);

  const words = search.trim().toLowerCase();
  const shown = useStable(
    useMemo((): readonly ShownRow[] => {
      const open = new Set(unfolded);
      const all = new Set(whole);
      return (sheet?.rows ?? [])
        .filter(({ part, row, first }) => {
          if (!open.has(part)) return false;
          if (!words) return first || all.has(part);
          return [row.label, row.shorthand ?? '', ...row.properties].some((text) => text.toLowerCase().includes(words));
        })
        .map(({ part, row }) => ({ part, row: row.key }));
    }, [sheet?.rows, unfolded, whole, words]),
  );
  const columns = useStable(
    useMemo((): readonly StateColumn[] => {
      const open = sheet?.parts.filter((item) => unfolded.includes(item.name)) ?? [];
      const names = new Set((open.length ? open : (sheet?.parts ?? [])).flatMap((item) => item.columns));
      return sheet?.columns.filter((column) => names.has(column.name)) ?? [];
    }, [sheet?.columns, sheet?.parts, unfolded]),
  );
  const names = useMemo(() => columns.map((column) => column.name), [columns]);

  const part = sheet?.parts.find((item) => item.name === selection.head.part) ?? sheet?.parts[0];
  const head = nearest(selection.head, shown, part?.columns ?? names);
  const active = useMemo(
    (): Selection => (head && !sameAddress(head, selection.head) ? oneCell(head) : selection),
    [head, selection],
  );
  const range = useMemo(() => rangeOf(active, shown, names), [active, shown, names]);
  const sheetRow = sheet?.rows.find((item) => item.part === active.head.part && item.row.key === active.head.row);
  const cell = sheetRow?.cells.find((item) => item.column === active.head.column);
  const partColumns = useStable(sheet?.columns.filter((column) => part?.columns.includes(column.name)) ?? []);

  const partWords = sheet?.checks.find((check) => check.part === part?.name && check.worstText)?.worstText ?? '';
  const selected = cellsOf(range);
  const retry = useSteady(() => void save.retry());
  const undo = useSteady(editor.undo);
  const redo = useSteady(editor.redo);
  const go = useSteady(editor.go);
  const lookNow = useSteady(() => look);
  const tryOut = useSteady((settings: readonly Setting[] | undefined) =>
    ask(settings ? changeLook(look, settings) : look),
  );
  const applyRemedy = useSteady((settings: readonly Setting[], name: string) => {
    editor.apply(settings, name);
    toaster.create({ title: name, action: { label: 'Undo', onClick: undo } });
  });
  const goToCheck = useSteady((partName: string, column: string, width: string) => {
    if (WIDTHS.includes(width as ViewportName)) setViewport(width as ViewportName);
    actions.column(column, partName);
  });
  const backToGrid = useCallback(() => grid.current?.querySelector<HTMLElement>('.cell[data-head]')?.focus(), []);
  const setSelected = useSteady((values: Readonly<Record<string, string>>, gesture?: string) => {
    const given = new Set(Object.values(values));
    const text = given.size === 1 ? [...given][0] : undefined;
    const name = `${cellsName(kind, selected)}${text ? `: ${text}` : ''}`;
    if (selected.every(({ row }) => row === active.head.row)) {
      const changes = selected.map((address) => ({ address, values }));
      return editor.set(changes, name, gesture);
    }
    withReader(({ valuesFor }) => {
      const changes = selected.flatMap((address) => {
        const own = address.row === active.head.row ? values : valuesFor(address.row, Object.values(values)[0]);
        return own ? [{ address, values: own }] : [];
      });
      editor.set(changes, name, gesture);
    });
  });
  const setAt = useSteady((width: 'medium' | 'narrow', values: Readonly<Record<string, string>>) => {
    editor.setAt(
      width,
      [{ address: active.head, values }],
      `${cellsName(kind, [active.head])}, up to ${site.bounds[width]} pixels`,
    );
    toaster.create({ title: `Set up to ${site.bounds[width]} pixels.`, action: { label: 'Undo', onClick: undo } });
  });
  const cellSite = useMemo(
    (): CellSite => ({
      siteId: site.id,
      component: ref,
      part: active.head.part,
      column: active.head.column,
      lookNow,
      setAt,
    }),
    [site.id, ref, active.head.part, active.head.column, lookNow, setAt],
  );
  const clear = useSteady(() => editor.clear(selected));
  const mute = useSteady(() => {
    if (!editor.toggleMuted(selected)) toaster.create({ title: 'Nothing is set by you here.' });
  });
  const fillWith = (values: Readonly<Record<string, string>>) => {
    const to = range.columns.length > 1 ? range.columns : (part?.columns ?? []);
    const cells = to.map((column) => ({ ...active.head, column }));
    editor.set(
      cells.map((address) => ({ address, values })),
      `Fill ${cellsName(kind, cells)}`,
    );
  };
  const fill = () => {
    if (!sheetRow || !cell) return;
    const own = editor.own(active.head);
    if (own) return fillWith(own);
    withReader(({ readTyped }) => {
      const read = readTyped(sheetRow.row, cell.computed);
      if (read.ok) fillWith(read.values);
      else toaster.create({ title: read.problem });
    });
  };
  const takeAlong = useSteady((takenParts: readonly string[]) => {
    const value = editor.own(active.head)?.color;
    if (value === undefined) return;
    const taken = takenParts.map((name) => ({ part: name, row: 'text', column: active.head.column }));
    editor.set(
      taken.map((address) => ({ address, values: { color: value } })),
      `Take along ${cellsName(kind, taken)}`,
    );
  });
  const report = (problems: readonly string[]) => {
    if (problems.length) toaster.create({ title: problems.slice(0, 3).join(' ') });
  };
  const copy = (event: ClipboardEvent, cut: boolean) => {
    if (!(event.target as HTMLElement).matches('.cell') || !sheet) return;
    event.preventDefault();
    event.clipboardData.setData('text/plain', asTable(range, sheet.rows, editor.own));
    if (cut) clear();
  };
  const paste = (text: string) =>
    withReader(({ readPasted }) => {
      const read = readPasted(text, active.head, range, shown, names, rowNamed);
      editor.set(
        read.changes,
        `Paste into ${cellsName(
          kind,
          read.changes.map((change) => change.address),
        )}`,
      );
      report(read.problems);
    });
  const copyCss = () => {
    if (sheet)
      void navigator.clipboard.writeText(asCss(range, sheet.rows, editor.own)).then(
        () => toaster.create({ title: 'Copied as CSS' }),
        () => toaster.create({ title: 'The browser does not allow copying here.' }),
      );
  };

  const togglePart = useSteady((name: string) => {
    setUnfolded((now) => (now.includes(name) ? now.filter((other) => other !== name) : [...now, name]));
    if (unfolded.includes(name)) return;
    const first = kind.parts.find((item) => item.name === name)?.first[0] ?? 'text';
    setSelection((now) => oneCell({ part: name, row: first, column: now.head.column }));
  });
  const actions = useMemo(
    (): GridActions & { column: (name: string, part?: string) => void } => ({
      select: setSelection,
      column: (name, partName) => {
        setSelection((now) => {
          if (partName === undefined || partName === now.head.part) return oneCell({ ...now.head, column: name });
          const row = kind.parts.find((item) => item.name === partName)?.first[0] ?? 'text';
          return oneCell({ part: partName, row, column: name });
        });
        if (partName !== undefined) setUnfolded((now) => (now.includes(partName) ? now : [...now, partName]));
      },
      edit: () => field.current?.focus(),
      clear,
      togglePart,
      toggleWhole: (name) =>
        setWhole((now) => (now.includes(name) ? now.filter((other) => other !== name) : [...now, name])),
    }),
    [clear, togglePart, kind],
  );
  const open = useOpenComponent();
  const addTrial = useAddTrial(component.id);
  const chooseTrial = useChangeComponent(component.id);
  const tell = (problem: Error) => toaster.create({ title: problem.message });
  const pick = useSteady(({ found, pages }: SiteComponent) => {
    const on = pages.find((item) => item.id === page.id) ?? pages[0]!;
    open.mutate(
      { pageId: on.id, kind: found.kind, name: found.name, locator: structuredClone(found.locator) as never },
      { onSuccess: (stored) => void navigate(stylePath(site.id, on.id, stored.id)), onError: tell },
    );
  });
  const pickOrder = useCallback(
    (order: number) => {
      setDialog(undefined);
      void engine().selectorOf(ref, order).then(setPointed);
    },
    [ref],
  );

  const pageChanges = usePageChanges(page.id);
  const takeBack = useSteady((change: PageChangeRecord, leave: boolean) =>
    pageChanges.remove.mutate(change.id, {
      onSuccess: () => {
        toaster.create({
          title: `“${change.name}” is off the page`,
          action: { label: 'Undo', onClick: () => pageChanges.restore.mutate(change.id) },
        });
        if (leave) void navigate(surveyPath(site.id, page.id));
      },
      onError: tell,
    }),
  );
  const putInstead = useSteady((html: string, before: string, words: string) =>
    pageChanges.add.mutate(
      { kind: null, name: component.name, locator: component.locator, place: 'instead', html, css: '', before },
      {
        onSuccess: () => {
          setDialog(undefined);
          toaster.create({ title: words });
        },
        onError: tell,
      },
    ),
  );
  const keepMarkup = useSteady((html: string, before: string) =>
    putInstead(html, before, 'The page here has the new wording. Take the HTML along when you hand over.'),
  );
  const held = useMemo(
    () => changeHolding(page.version.changes, component.locator.selector),
    [page.version.changes, component.locator.selector],
  );
  const chooseTrialOf = useSteady((id: string) => chooseTrial.mutate({ currentTrialId: id }, { onError: tell }));
  const tryAnother = useSteady(() => addTrial.mutate({ look: look as LookData, makeCurrent: true }, { onError: tell }));

  const loadNewer = () => {
    if (save.state.kind !== 'conflict') return;
    const { current } = save.state;
    save.rebase(current, current.look);
    takeNewer(current.look);
    void client.invalidateQueries({ queryKey: ['components', site.id] });
  };
  const mergeBoth = (merged: LookData) => {
    if (save.state.kind !== 'conflict') return;
    save.rebase(save.state.current, merged);
    editor.replace(merged, 'Together with the other window');
  };
  const keepBoth = () => {
    if (save.state.kind !== 'conflict') return;
    const { current } = save.state;
    const mine = look as LookData;
    addTrial.mutate(
      { look: mine, makeCurrent: true },
      {
        onSuccess: () => {
          save.rebase(current, current.look);
          void client.invalidateQueries({ queryKey: ['components', site.id] });
        },
        onError: tell,
      },
    );
  };

  const counts = useStable(countsOf(sheet));
  const railComponents = useMemo(
    () => withCurrent(siteComponents.components, component, counts),
    [siteComponents.components, component, counts],
  );

  const commands = useCommands({
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    hasCell: cell !== undefined,
    isSet: cell?.own !== undefined,
    run: {
      edit: () => field.current?.focus(),
      clear,
      mute,
      fill,
      copyCss,
      undo: editor.undo,
      redo: editor.redo,
      find: () => finder.current?.focus(),
      unfoldAll: () => setUnfolded(sheet?.parts.map((item) => item.name) ?? []),
      foldAll: () => setUnfolded([active.head.part]),
      wholePart: () => actions.toggleWhole(active.head.part),
      width: () => setViewport(WIDTHS[(WIDTHS.indexOf(viewport) + 1) % WIDTHS.length]!),
      page: () => setCondition({ ...condition, page: condition.page === undefined ? page.id : undefined }),
      scheme: () => setCondition({ ...condition, scheme: condition.scheme === undefined ? 'dark' : undefined }),
      point: () => setDialog('pointing'),
      preview: () => setDialog('preview'),
      survey: () => void navigate(surveyPath(site.id, page.id)),
      handover: () => void navigate(handoverPath(site.id, page.id, component.id)),
      palette: () => setDialog('commands'),
      keys: () => setDialog('keys'),
    },
  });
  const untouched = useBenchKeys(commands, dialog !== undefined);
  useLayoutEffect(() => {
    isUntouched.current = untouched;
    showFrames();
  }, [untouched, showFrames]);
  const point = useCallback(() => setDialog('pointing'), []);
  const openAnew = useCallback(() => setDialog('anew'), []);
  const openPreview = useCallback(() => setDialog('preview'), []);
  const prepare = useCallback(() => {
    void loadReader().catch(() => undefined);
    void import('./CommandPalette').catch(() => undefined);
  }, []);
  const closeDialog = useCallback(() => setDialog(undefined), []);
  const correct = useSteady((selector: string | undefined) => {
    setPointed(undefined);
    editor.correctPart(active.head.part, part?.label ?? active.head.part, selector);
  });
  const addException = useSteady((exception: Exception) => {
    editor.addException(exception);
    setCondition({ ...condition, exception: exception.id });
  });
  const removeException = useSteady((exception: Exception) => {
    editor.removeException(exception);
    if (condition.exception === exception.id) setCondition({ ...condition, exception: undefined });
  });
  const changePlace = useCallback(({ viewport: _kept, ...rest }: EditingPlace) => setCondition(rest), []);
  const partNote = (
    <PartNote
      key={active.head.part + (pointed ?? '')}
      versionId={versionId}
      part={part}
      pointed={pointed}
      onPoint={point}
      onCorrect={correct}
    />
  );

  return (
    <div className="bench" onPointerMoveCapture={prepare} onPointerDownCapture={prepare} onKeyDownCapture={prepare}>
      <div className="over">
        <BenchBar
          siteName={site.name}
          siteId={site.id}
          pageId={page.id}
          componentId={component.id}
          save={save.state}
          history={history}
          onRetry={retry}
          onUndo={undo}
          onRedo={redo}
          onGo={go}
        />
      </div>
      <Rail
        components={railComponents}
        pages={site.pages}
        pending={siteComponents.pending}
        currentSelector={component.locator.selector}
        currentKind={component.kind}
        onPick={pick}
        onAdd={openAnew}
      />
      <main>
        {save.state.kind === 'conflict' ? (
          <Conflict
            rival={save.state}
            look={look}
            kind={kind}
            busy={addTrial.isPending}
            onMerge={mergeBoth}
            onLoad={loadNewer}
            onKeepBoth={keepBoth}
          />
        ) : null}
        {[
          save.state.kind === 'refused' ? save.state.message : undefined,
          (opened.error ?? error)?.message,
          ...(sheet?.problems ?? []),
        ].map((message) =>
          message ? (
            <div key={message} className="note">
              <Notice tone="short">{message}</Notice>
            </div>
          ) : null,
        )}
        {held ? <MadeHere change={held} busy={pageChanges.remove.isPending} onTakeBack={takeBack} /> : null}
        {opened.data?.isImposter ? (
          <Imposter
            busy={pageChanges.add.isPending}
            onMake={(tag) => {
              void engine()
                .asControl(versionId, opened.data.order, tag)
                .then(
                  ({ html, before }) =>
                    putInstead(html, before, `It is a real ${tag === 'a' ? 'link' : 'button'} here now.`),
                  tell,
                );
            }}
          />
        ) : null}
        {opened.data?.outcome === 'moved' ? (
          <div className="note">
            <Notice>The page has changed, and this component was found again at {opened.data.selector}.</Notice>
          </div>
        ) : null}
        <div className="note hint">
          <Hint id="style">
            The pictures show one part in each state. A red figure falls short of the contrast it needs. Click that
            picture, then drag <b>Lightness</b> in the editor: where the line under a track is solid, the colour passes.
          </Hint>
        </div>
        <div className="bench-head">
          <h1>{component.name}</h1>
          <div className="reach">
            {opened.data ? reachWords(kind.label, kind.plural, opened.data.reach) : ''}{' '}
            <code>{part?.selector ?? opened.data?.selector}</code>
          </div>
          <ViewMenu component={opened.data ? ref : undefined} viewport={viewport} view={view} onChange={setView} />
          <PreviewButton onOpen={openPreview} />
          <Trials
            trials={component.trials}
            current={trial.id}
            busy={addTrial.isPending}
            onChoose={chooseTrialOf}
            onAdd={tryAnother}
          />
        </div>
        <Frames
          component={opened.data ? ref : undefined}
          part={part?.name}
          columns={partColumns}
          checks={sheet?.checks ?? NO_CHECKS}
          viewport={viewport}
          place={place}
          exceptions={look.exceptions}
          view={view}
          widths={widths}
          look={frameLook}
          heatLook={view.heat ? look : undefined}
          untouched={untouched}
          selected={active.head.column}
          onSelect={actions.column}
        />
        <EditingBar
          siteId={site.id}
          bounds={site.bounds}
          viewport={viewport}
          place={place}
          pageName={page.name}
          pageId={page.id}
          exceptionsOfLook={look.exceptions}
          part={active.head.part}
          onViewport={setViewport}
          onPlace={changePlace}
          exceptions={
            part ? (
              <Exceptions
                component={ref}
                part={part.name}
                partLabel={part.label}
                reach={part.reach}
                all={look.exceptions}
                onAdd={addException}
                onRemove={removeException}
              />
            ) : null
          }
        />
        {sheet ? (
          <div
            ref={grid}
            className="sheet"
            onCopy={(event) => copy(event, false)}
            onCut={(event) => copy(event, true)}
            onPaste={(event) => {
              if (!(event.target as HTMLElement).matches('.cell')) return;
              event.preventDefault();
              paste(event.clipboardData.getData('text/plain'));
            }}
          >
            <SheetBar
              tab={tab}
              onTab={setTab}
              field={finder}
              search={search}
              nothing={searching && !shown.length}
              where={placeWords(place, look.exceptions, page.name, site.bounds)}
              isBase={isBase(place)}
              onSearch={setSearch}
              onLeave={backToGrid}
              onDialog={setDialog}
            />
            {tab === 'checks' ? (
              <Suspense fallback={<p className="ledger-empty">Working out every check…</p>}>
                <Ledger
                  component={ref}
                  look={look}
                  place={place}
                  added={added}
                  measured={measured}
                  measuring={measuring}
                  viewport={viewport}
                  parts={sheet.parts}
                  onGo={goToCheck}
                  onTry={tryOut}
                  onApply={applyRemedy}
                  onAcross={setAcross}
                />
              </Suspense>
            ) : null}
            {tab === 'values' ? (
              <StateGrid
                sheet={sheet}
                shown={shown}
                columns={columns}
                unfolded={unfoldedSet}
                whole={wholeSet}
                selection={active}
                range={range}
                currentParts={active.head.part}
                searching={searching}
                demands={kind.demands}
                addState={<AddState added={added} known={names} onChange={setAdded} />}
                actions={actions}
              />
            ) : null}
            {sheet.conflicts.length ? (
              <div className="below" data-testid="conflicts">
                Set here over the look of another component, which reaches wider: {sheet.conflicts.join('; ')}.
              </div>
            ) : null}
            {sheet.missing.length ? (
              <div className="below" data-testid="missing-parts">
                Not on this page: {sheet.missing.map((item) => item.label.toLowerCase()).join(', ')}.
              </div>
            ) : null}
            {tab === 'values' ? <Legend /> : null}
          </div>
        ) : null}
      </main>
      <aside className="editor" aria-label="Editor">
        <CellSiteContext value={cellSite}>
          {sheet && sheetRow && cell?.applies ? (
            <Editor
              kind={kind}
              component={ref}
              sheet={sheet}
              lookNow={lookNow}
              query={query}
              viewport={viewport}
              address={active.head}
              row={sheetRow.row}
              cell={cell}
              selectedCount={selected.length}
              colours={colours.data ?? NO_COLOURS}
              families={fonts.data ?? NO_FAMILIES}
              words={partWords}
              field={field}
              partNote={partNote}
              look={look}
              measured={measured}
              onTry={tryOut}
              onApply={applyRemedy}
              onChange={setSelected}
              onClear={clear}
              onMute={mute}
              onTake={takeAlong}
              onLeave={backToGrid}
            />
          ) : sheet && part ? (
            <>
              <p className="follows">
                {shown.length
                  ? `${part.label} is never in this state. Choose another cell.`
                  : 'Unfold a part to style it.'}
              </p>
              {partNote}
            </>
          ) : null}
        </CellSiteContext>
      </aside>
      {measuring.frame}
      <Suspense>
        {lists ? (
          <>
            <CommandPalette
              commands={dialog === 'commands' ? commands : NO_COMMANDS}
              open={dialog === 'commands'}
              onClose={closeDialog}
            />
            <Shortcuts
              commands={dialog === 'keys' ? commands : NO_COMMANDS}
              open={dialog === 'keys'}
              onClose={closeDialog}
            />
          </>
        ) : null}
        {dialog === 'preview' && part ? (
          <Preview
            name={component.name}
            component={ref}
            part={part.name}
            columns={partColumns}
            column={active.head.column}
            place={place}
            look={look}
            order={part.order}
            root={opened.data?.order ?? 0}
            keeping={pageChanges.add.isPending}
            onKeep={keepMarkup}
            onClose={closeDialog}
          />
        ) : null}
        {dialog === 'anew' ? <AddComponent site={site} page={page} onClose={closeDialog} /> : null}
        {across !== undefined ? (
          <AcrossSite
            site={site}
            colour={across}
            inHand={ref}
            look={look}
            kept={kept}
            onTry={tryOut}
            onApply={editor.apply}
            onUndo={undo}
            onClose={() => setAcross(undefined)}
          />
        ) : null}
        {dialog === 'pointing' ? (
          <Pointing
            versionId={versionId}
            label={part?.label ?? 'part'}
            viewport={viewport}
            onPick={pickOrder}
            onClose={closeDialog}
          />
        ) : null}
      </Suspense>
    </div>
  );
}
