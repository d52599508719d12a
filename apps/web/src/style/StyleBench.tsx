import { Box, Flex, Grid, Input } from '@chakra-ui/react';
import type { Component, LookData, Page, Site, Trial } from '@retoque/contract';
import { rowNamed, type EditingPlace, type StateColumn, type ViewportName } from '@retoque/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { FileCode2, Redo2, Undo2 } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState, type ClipboardEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { useAddTrial, useChangeComponent, useOpenComponent } from '../api/queries';
import { engine } from '../engine/engine';
import type { ComponentRef, SheetQuery } from '../engine/protocol';
import { refKey } from '../engine/ref-key';
import { AppBar } from '../shell/AppBar';
import { Notice } from '../shell/Notice';
import { handoverPath, stylePath, surveyPath } from '../shell/paths';
import { Segments } from '../shell/Segments';
import { toaster } from '../shell/toasts';
import { Button } from '../theme/Button';
import { AddState } from './AddState';
import { readTyped } from './cell-problem';
import { Legend, nearest, reachWords, valuesFor, withCurrent } from './bench';
import { requireKind, sameAddress } from './cells';
import { useCommands } from './useCommands';
import { asCss, asTable, readPasted } from './clipboard';
import { CommandPalette } from './CommandPalette';
import { Conflict } from './Conflict';
import { Editor } from './Editor';
import { EditingBar, isBase, placeWords } from './EditingBar';
import { Exceptions } from './Exceptions';
import { HistoryMenu } from './HistoryMenu';
import { keptLooks } from './kept';
import { PartNote } from './PartNote';
import { Pointing } from './Pointing';
import { Rail } from './Rail';
import { SaveStatus } from './SaveStatus';
import { cellsOf, oneCell, rangeOf, type Selection, type ShownRow } from './selection';
import { Shortcuts } from './Shortcuts';
import { StateFrame } from './StateFrame';
import { StateGrid, type GridActions } from './StateGrid';
import { readUnsaved } from './unsaved';
import { useAutosave } from './useAutosave';
import { useBenchKeys } from './useBenchKeys';
import { cellsName, useLookEditor } from './useLookEditor';
import { useSheet } from './useSheet';
import { useSiteComponents, type SiteComponent } from './useSiteComponents';
import { worstCheck } from './worstCheck';

const NO_PARTS: never[] = [];
const NO_RULES: never[] = [];
const WIDTHS: readonly ViewportName[] = ['wide', 'medium', 'narrow'];

/** The main screen: one component in all its states, the state sheet below, the editor of the chosen cell beside. */
export function StyleBench({
  site,
  page,
  versionId,
  component,
  trial,
  kept,
}: {
  site: Site;
  page: Page;
  versionId: string;
  component: Component;
  trial: Trial;
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
  const [parts, setParts] = useState<Parameters<typeof useLookEditor>[2]>(NO_PARTS);
  // What a closed window could not send any more is taken up again.
  const editor = useLookEditor(kind, () => readUnsaved(trial.id)?.look ?? trial.look, parts, place);
  const { look, history } = editor;
  const save = useAutosave(component.id, trial, look as LookData);

  const corrected = JSON.stringify(look.parts ?? {});
  const others = useMemo(
    () => keptLooks(kept.filter((other) => other.id !== component.id)).filter((other) => other.look.settings.length),
    [kept, component.id],
  );
  const ref = useMemo(
    (): ComponentRef => ({
      versionId,
      pageId: page.id,
      kind: component.kind,
      locator: component.locator,
      parts: JSON.parse(corrected) as Record<string, string>,
      bounds: site.bounds,
      others,
    }),
    [versionId, page.id, component.kind, component.locator, corrected, site.bounds, others],
  );
  const unfoldedSet = useMemo(() => new Set(unfolded), [unfolded]);
  const wholeSet = useMemo(() => new Set(whole), [whole]);
  const searching = search.trim() !== '';
  const query = useMemo(
    (): SheetQuery => ({ viewport, place, unfolded, whole: searching ? unfolded : whole, added }),
    [viewport, place, unfolded, whole, added, searching],
  );
  const field = useRef<HTMLInputElement>(null);
  const grid = useRef<HTMLDivElement>(null);
  const finder = useRef<HTMLInputElement>(null);
  const [dialog, setDialog] = useState<'commands' | 'keys' | 'pointing'>();
  const [pointed, setPointed] = useState<string>();
  const siteComponents = useSiteComponents(site.pages, kept, site.bounds);

  const opened = useQuery({
    queryKey: ['engine', 'component', refKey(ref)],
    staleTime: Infinity,
    retry: false,
    queryFn: () => engine().component(ref),
  });
  const colours = useQuery({
    queryKey: ['engine', 'colours', versionId],
    staleTime: Infinity,
    queryFn: () => engine().siteColours(versionId),
  });
  const { sheet, error } = useSheet(opened.data ? ref : undefined, look, query);
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
  const shown = useMemo((): ShownRow[] => {
    const open = new Set(unfolded);
    const all = new Set(whole);
    return (sheet?.rows ?? [])
      .filter(({ part, row, first }) => {
        if (!open.has(part)) return false;
        if (!words) return first || all.has(part);
        return [row.label, row.shorthand ?? '', ...row.properties].some((text) => text.toLowerCase().includes(words));
      })
      .map(({ part, row }) => ({ part, row: row.key }));
  }, [sheet, unfolded, whole, words]);
  const columns = useMemo((): readonly StateColumn[] => {
    const open = sheet?.parts.filter((item) => unfolded.includes(item.name)) ?? [];
    const names = new Set((open.length ? open : (sheet?.parts ?? [])).flatMap((item) => item.columns));
    return sheet?.columns.filter((column) => names.has(column.name)) ?? [];
  }, [sheet, unfolded]);
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
  const partColumns = sheet?.columns.filter((column) => part?.columns.includes(column.name)) ?? [];

  const selected = cellsOf(range);
  const backToGrid = () => grid.current?.querySelector<HTMLElement>('.cell[data-head]')?.focus();
  const setSelected = (values: Readonly<Record<string, string>>, gesture?: string) => {
    const given = new Set(Object.values(values));
    const text = given.size === 1 ? [...given][0] : undefined;
    editor.set(
      selected.flatMap((address) => {
        const own = address.row === active.head.row ? values : valuesFor(address.row, Object.values(values)[0]);
        return own ? [{ address, values: own }] : [];
      }),
      `${cellsName(kind, selected)}${text ? `: ${text}` : ''}`,
      gesture,
    );
  };
  const clear = () => editor.clear(selected);
  const mute = () => {
    if (!editor.toggleMuted(selected)) toaster.create({ title: 'Nothing is set by you here.' });
  };
  const fill = () => {
    if (!sheetRow || !cell) return;
    let values = editor.own(active.head);
    if (!values) {
      const read = readTyped(sheetRow.row, cell.computed);
      if (!read.ok) return toaster.create({ title: read.problem });
      values = read.values;
    }
    const to = range.columns.length > 1 ? range.columns : (part?.columns ?? []);
    const cells = to.map((column) => ({ ...active.head, column }));
    editor.set(
      cells.map((address) => ({ address, values })),
      `Fill ${cellsName(kind, cells)}`,
    );
  };
  const takeAlong = (takenParts: readonly string[]) => {
    const value = editor.own(active.head)?.color;
    if (value === undefined) return;
    const taken = takenParts.map((name) => ({ part: name, row: 'text', column: active.head.column }));
    editor.set(
      taken.map((address) => ({ address, values: { color: value } })),
      `Take along ${cellsName(kind, taken)}`,
    );
  };
  const report = (problems: readonly string[]) => {
    if (problems.length) toaster.create({ title: problems.slice(0, 3).join(' ') });
  };
  const copy = (event: ClipboardEvent, cut: boolean) => {
    if (!(event.target as HTMLElement).matches('.cell') || !sheet) return;
    event.preventDefault();
    event.clipboardData.setData('text/plain', asTable(range, sheet.rows, editor.own));
    if (cut) clear();
  };
  const paste = (text: string) => {
    const read = readPasted(text, active.head, range, shown, names, rowNamed);
    editor.set(
      read.changes,
      `Paste into ${cellsName(
        kind,
        read.changes.map((change) => change.address),
      )}`,
    );
    report(read.problems);
  };
  const copyCss = () => {
    if (sheet)
      void navigator.clipboard.writeText(asCss(range, sheet.rows, editor.own)).then(
        () => toaster.create({ title: 'Copied as CSS' }),
        () => toaster.create({ title: 'The browser does not allow copying here.' }),
      );
  };

  // Actions stay the same objects, so that rows of the sheet need not be drawn again; they find the newest here.
  const latest = useRef({ clear, unfolded });
  useEffect(() => {
    latest.current = { clear, unfolded };
  });
  const actions = useMemo(
    (): GridActions => ({
      select: setSelection,
      edit: () => field.current?.focus(),
      clear: () => latest.current.clear(),
      togglePart: (name) => {
        setUnfolded((now) => (now.includes(name) ? now.filter((other) => other !== name) : [...now, name]));
        if (!latest.current.unfolded.includes(name)) {
          const first = kind.parts.find((item) => item.name === name)?.first[0] ?? 'text';
          setSelection((now) => oneCell({ part: name, row: first, column: now.head.column }));
        }
      },
      toggleWhole: (name) =>
        setWhole((now) => (now.includes(name) ? now.filter((other) => other !== name) : [...now, name])),
    }),
    [kind],
  );
  const open = useOpenComponent();
  const addTrial = useAddTrial(component.id);
  const chooseTrial = useChangeComponent(component.id);
  const tell = (problem: Error) => toaster.create({ title: problem.message });
  const pick = ({ found, pages }: SiteComponent) => {
    const on = pages.find((item) => item.id === page.id) ?? pages[0]!;
    open.mutate(
      { pageId: on.id, kind: found.kind, name: found.name, locator: structuredClone(found.locator) as never },
      { onSuccess: (stored) => void navigate(stylePath(site.id, on.id, stored.id)), onError: tell },
    );
  };
  const pickOrder = useCallback(
    (order: number) => {
      setDialog(undefined);
      void engine().selectorOf(ref, order).then(setPointed);
    },
    [ref],
  );

  const loadNewer = () => {
    if (save.state.kind !== 'conflict') return;
    const { current } = save.state;
    save.rebase(current);
    editor.load(current.look);
    void client.invalidateQueries({ queryKey: ['components', site.id] });
  };
  const keepBoth = () => {
    if (save.state.kind !== 'conflict') return;
    const { current } = save.state;
    const mine = look as LookData;
    addTrial.mutate(
      { look: mine, makeCurrent: true },
      {
        onSuccess: () => {
          save.rebase(current);
          void client.invalidateQueries({ queryKey: ['components', site.id] });
        },
        onError: tell,
      },
    );
  };

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
      survey: () => void navigate(surveyPath(site.id, page.id)),
      handover: () => void navigate(handoverPath(site.id, page.id, component.id)),
      palette: () => setDialog('commands'),
      keys: () => setDialog('keys'),
    },
  });
  const untouched = useBenchKeys(commands, dialog !== undefined);
  const partNote = (
    <PartNote
      key={active.head.part + (pointed ?? '')}
      versionId={versionId}
      part={part}
      pointed={pointed}
      onPoint={() => setDialog('pointing')}
      onCorrect={(selector) => {
        setPointed(undefined);
        editor.correctPart(active.head.part, part?.label ?? active.head.part, selector);
      }}
    />
  );

  return (
    <Grid
      height={{ base: 'auto', lg: '100%' }}
      minHeight="100%"
      templateRows={{ base: 'auto', lg: 'auto minmax(0, 1fr)' }}
      templateColumns={{ base: 'minmax(0, 1fr)', lg: '204px minmax(0, 1fr) 300px' }}
    >
      <Box gridColumn="1 / -1">
        <AppBar
          site={site.name}
          steps={[
            { label: 'Survey', to: surveyPath(site.id, page.id) },
            { label: 'Style', to: stylePath(site.id, page.id, component.id) },
            { label: 'Hand over', to: handoverPath(site.id, page.id, component.id) },
          ]}
        >
          <SaveStatus state={save.state} onRetry={() => void save.retry()} />
          <Flex>
            <Button
              variant="barQuiet"
              size="icon"
              aria-label="Undo"
              title={`Undo ${history.past.at(-1)?.name ?? ''} (Ctrl Z)`}
              disabled={!history.past.length}
              onClick={editor.undo}
            >
              <Undo2 aria-hidden="true" />
            </Button>
            <Button
              variant="barQuiet"
              size="icon"
              aria-label="Redo"
              title={`Redo ${history.future[0]?.name ?? ''} (Ctrl Shift Z)`}
              disabled={!history.future.length}
              onClick={editor.redo}
            >
              <Redo2 aria-hidden="true" />
            </Button>
            <HistoryMenu history={history} onGo={editor.go} />
          </Flex>
          <Button asChild variant="bar">
            <Link to={handoverPath(site.id, page.id, component.id)}>
              <FileCode2 aria-hidden="true" />
              Take the CSS
            </Link>
          </Button>
        </AppBar>
      </Box>
      <Rail
        components={withCurrent(siteComponents.components, component, sheet)}
        pages={site.pages}
        pending={siteComponents.pending}
        currentSelector={component.locator.selector}
        currentKind={component.kind}
        onPick={pick}
      />
      <Flex
        as="main"
        direction="column"
        minWidth="0"
        minHeight="0"
        position="relative"
        isolation="isolate"
        overflowY={{ lg: 'auto' }}
      >
        {save.state.kind === 'conflict' ? (
          <Conflict busy={addTrial.isPending} onLoad={loadNewer} onKeepBoth={keepBoth} />
        ) : null}
        {[
          save.state.kind === 'refused' ? save.state.message : undefined,
          (opened.error ?? error)?.message,
          ...(sheet?.problems ?? []),
        ].map((message) =>
          message ? (
            <Box key={message} padding="10px 14px 0">
              <Notice tone="short">{message}</Notice>
            </Box>
          ) : null,
        )}
        {opened.data?.outcome === 'moved' ? (
          <Box padding="10px 14px 0">
            <Notice>The page has changed, and this component was found again at {opened.data.selector}.</Notice>
          </Box>
        ) : null}
        <Flex alignItems="center" gap="12px" padding="9px 14px 8px" flexWrap="wrap">
          <Box as="h1" fontSize="17px" fontWeight={650}>
            {component.name}
          </Box>
          <Box color="ink2" minWidth="0" flex="1" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
            {opened.data ? reachWords(kind.label, kind.plural, opened.data.reach) : ''}{' '}
            <Box as="span" fontFamily="mono" fontSize="11.5px">
              {part?.selector ?? opened.data?.selector}
            </Box>
          </Box>
          <Flex gap="4px" alignItems="center">
            <Segments
              label="Trials"
              value={trial.id}
              choices={component.trials.map((item) => ({
                value: item.id,
                label: component.trials.length > 1 ? item.name : `Trial ${item.name}`,
              }))}
              onChange={(id) => chooseTrial.mutate({ currentTrialId: id }, { onError: tell })}
            />
            <Button
              variant="quiet"
              size="s"
              title="Try a rival look, kept beside this one"
              aria-label="Add a trial"
              disabled={addTrial.isPending}
              onClick={() => addTrial.mutate({ look: look as LookData, makeCurrent: true }, { onError: tell })}
            >
              +
            </Button>
          </Flex>
        </Flex>
        <Grid
          autoFlow="column"
          autoColumns="minmax(148px, 1fr)"
          gap="8px"
          padding="3px 14px 12px"
          overflowX="auto"
          flexShrink={0}
          data-untouched={untouched ? '' : undefined}
        >
          {opened.data && part
            ? partColumns.map((state) => (
                <StateFrame
                  key={`${part.name} ${state.name}`}
                  component={ref}
                  part={part.name}
                  column={state}
                  viewport={viewport}
                  place={place}
                  look={look}
                  rules={untouched || !sheet ? NO_RULES : sheet.frameRules}
                  check={worstCheck(sheet?.checks ?? [], part.name, state.name)}
                  selected={state.name === active.head.column}
                  onSelect={() => setSelection(oneCell({ ...active.head, column: state.name }))}
                />
              ))
            : null}
        </Grid>
        <EditingBar
          siteId={site.id}
          bounds={site.bounds}
          viewport={viewport}
          place={place}
          pageName={page.name}
          pageId={page.id}
          look={look}
          part={active.head.part}
          onViewport={setViewport}
          onPlace={({ viewport: _kept, ...rest }) => setCondition(rest)}
          exceptions={
            part ? (
              <Exceptions
                component={ref}
                part={part.name}
                partLabel={part.label}
                reach={part.reach}
                look={look}
                onAdd={(exception) => {
                  editor.addException(exception);
                  setCondition({ ...condition, exception: exception.id });
                }}
                onRemove={(exception) => {
                  editor.removeException(exception);
                  if (condition.exception === exception.id) setCondition({ ...condition, exception: undefined });
                }}
              />
            ) : null
          }
        />
        {sheet ? (
          <Box
            ref={grid}
            flex={{ lg: '1 0 auto' }}
            bg="card"
            onCopy={(event) => copy(event, false)}
            onCut={(event) => copy(event, true)}
            onPaste={(event) => {
              if (!(event.target as HTMLElement).matches('.cell')) return;
              event.preventDefault();
              paste(event.clipboardData.getData('text/plain'));
            }}
          >
            <Flex
              gap="8px"
              padding="7px 9px"
              alignItems="center"
              flexWrap={{ base: 'wrap', lg: 'nowrap' }}
              borderTop="1px solid {colors.line}"
            >
              <Input
                ref={finder}
                type="search"
                width="200px"
                height="28px"
                placeholder="Find a property"
                aria-label="Find a property"
                value={search}
                onChange={(event) => {
                  const text = event.target.value;
                  setSearch(text);
                }}
                onKeyDown={(event) => {
                  if (event.key === 'Escape') setSearch('');
                  if (event.key === 'Enter') backToGrid();
                }}
              />
              {searching && !shown.length ? (
                <Box role="status" color="ink2">
                  No property is called “{search.trim()}”.
                </Box>
              ) : null}
              <Box
                color={isBase(place) ? 'ink2' : 'accent'}
                fontWeight={isBase(place) ? 400 : 650}
                ml={{ base: '0', lg: 'auto' }}
                width={{ base: '100%', lg: 'auto' }}
                order={{ base: -1, lg: 0 }}
                data-testid="editing-place"
              >
                {placeWords(place, look, page.name, site.bounds)}
              </Box>
              <Button
                variant="quiet"
                size="s"
                title="Everything that can be done here (.)"
                onClick={() => setDialog('commands')}
              >
                Commands
              </Button>
              <Button variant="quiet" size="s" title="Keys (?)" onClick={() => setDialog('keys')}>
                Keys
              </Button>
            </Flex>
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
            {sheet.conflicts.length ? (
              <Box padding="8px 14px 0" color="ink2" fontSize="12px" data-testid="conflicts">
                Set here over the look of another component, which reaches wider: {sheet.conflicts.join('; ')}.
              </Box>
            ) : null}
            {sheet.missing.length ? (
              <Box padding="8px 14px 0" color="ink3" fontSize="12px" data-testid="missing-parts">
                Not on this page: {sheet.missing.map((item) => item.label.toLowerCase()).join(', ')}.
              </Box>
            ) : null}
            <Legend />
          </Box>
        ) : null}
      </Flex>
      <Box
        as="aside"
        aria-label="Editor"
        bg="sheet"
        borderLeft={{ lg: '1px solid {colors.line}' }}
        borderTop={{ base: '1px solid {colors.line}', lg: 'none' }}
        padding="12px 14px"
        position="relative"
        overflowY="auto"
      >
        {sheet && sheetRow && cell?.applies ? (
          <Editor
            kind={kind}
            component={ref}
            sheet={sheet}
            look={look}
            query={query}
            viewport={viewport}
            address={active.head}
            row={sheetRow.row}
            cell={cell}
            selectedCount={selected.length}
            colours={colours.data ?? []}
            field={field}
            partNote={partNote}
            onChange={setSelected}
            onClear={clear}
            onMute={mute}
            onTake={takeAlong}
            onLeave={backToGrid}
          />
        ) : sheet && part ? (
          <>
            <Box color="ink2" mb="10px">
              {shown.length
                ? `${part.label} is never in this state. Choose another cell.`
                : 'Unfold a part to style it.'}
            </Box>
            {partNote}
          </>
        ) : null}
      </Box>
      <CommandPalette commands={commands} open={dialog === 'commands'} onClose={() => setDialog(undefined)} />
      <Shortcuts commands={commands} open={dialog === 'keys'} onClose={() => setDialog(undefined)} />
      {dialog === 'pointing' ? (
        <Pointing
          versionId={versionId}
          label={part?.label ?? 'part'}
          viewport={viewport}
          onPick={pickOrder}
          onClose={() => setDialog(undefined)}
        />
      ) : null}
    </Grid>
  );
}
