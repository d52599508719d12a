import { Box, Flex, Grid } from '@chakra-ui/react';
import type { Component, LookData, Page, Site, Trial } from '@retoque/contract';
import type { StateSheet, ViewportName } from '@retoque/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { FileCode2, Redo2, Undo2 } from 'lucide-react';
import { useCallback, useEffect, useMemo, useReducer, useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useAddTrial, useChangeComponent, useOpenComponent } from '../api/queries';
import { engine } from '../engine/engine';
import type { FoundWithChecks } from '../engine/protocol';
import { AppBar } from '../shell/AppBar';
import { Notice } from '../shell/Notice';
import { handoverPath, stylePath, surveyPath } from '../shell/paths';
import { Segments } from '../shell/Segments';
import { toaster } from '../shell/toasts';
import { VIEWPORT_CHOICES } from '../shell/viewports';
import { Button } from '../theme/Button';
import { followWords, columnNamed, requireKind, setCell, type CellAddress } from './cells';
import { ColourEditor } from './ColourEditor';
import { Conflict } from './Conflict';
import { historyReducer, startHistory } from './history';
import { Measure } from './Measure';
import { Rail } from './Rail';
import { Reasons } from './Reasons';
import { SaveStatus } from './SaveStatus';
import { SiteSourceNote } from './SiteSourceNote';
import { StateFrame } from './StateFrame';
import { StateGrid } from './StateGrid';
import { readUnsaved } from './unsaved';
import { useAutosave } from './useAutosave';
import { useSheet } from './useSheet';

/** The main screen: one component in all its states, the state sheet below, the editor of the chosen cell beside. */
export function StyleBench({
  site,
  page,
  versionId,
  component,
  trial,
  found,
}: {
  site: Site;
  page: Page;
  versionId: string;
  component: Component;
  trial: Trial;
  found: readonly FoundWithChecks[];
}) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const kind = useMemo(() => requireKind(component.kind), [component.kind]);
  const ref = useMemo(
    () => ({ versionId, kind: component.kind, locator: component.locator }),
    [versionId, component.kind, component.locator],
  );
  // What a closed window could not send any more is taken up again.
  const [history, dispatch] = useReducer(historyReducer, undefined, () =>
    startHistory(readUnsaved(trial.id)?.look ?? trial.look),
  );
  const look = history.present;
  const save = useAutosave(component.id, trial, look as LookData);
  const [viewport, setViewport] = useState<ViewportName>('wide');
  const [selected, setSelected] = useState<CellAddress>({ row: 'text', column: 'hover' });
  const field = useRef<HTMLInputElement>(null);
  const grid = useRef<HTMLDivElement>(null);

  const opened = useQuery({
    queryKey: ['engine', 'component', ref],
    staleTime: Infinity,
    retry: false,
    queryFn: () => engine().component(ref),
  });
  const colours = useQuery({
    queryKey: ['engine', 'colours', versionId],
    staleTime: Infinity,
    queryFn: () => engine().siteColours(versionId),
  });
  const { sheet, error } = useSheet(opened.data ? ref : undefined, look, viewport);
  const row = sheet?.rows.find((item) => item.key === selected.row);
  const cell = row?.cells.find((item) => item.column === selected.column);
  const check = sheet?.checks.find((item) => item.column === selected.column);
  const column = columnNamed(kind, selected.column);

  const change = useCallback(
    (address: CellAddress, value: string | undefined, gesture?: string) => {
      const target = kind.parts
        .flatMap((part) => part.rows.map((item) => ({ part: part.name, ...item })))
        .find((item) => item.key === address.row);
      if (target) dispatch({ type: 'change', look: setCell(look, kind, target, address.column, value), gesture });
    },
    [kind, look],
  );
  const backToGrid = () => grid.current?.querySelector<HTMLElement>('.cell[aria-selected=true]')?.focus();

  useEffect(() => {
    const keys = (event: KeyboardEvent) => {
      const typing = (event.target as HTMLElement).matches('input:not([type=range]), textarea, select');
      if (!(event.ctrlKey || event.metaKey) || typing) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      dispatch({ type: key === 'y' || event.shiftKey ? 'redo' : 'undo' });
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, []);

  const open = useOpenComponent();
  const addTrial = useAddTrial(component.id);
  const chooseTrial = useChangeComponent(component.id);
  const pick = (item: FoundWithChecks) =>
    open.mutate(
      { pageId: page.id, kind: item.kind, name: item.name, locator: structuredClone(item.locator) as never },
      {
        onSuccess: (stored) => void navigate(stylePath(site.id, page.id, stored.id)),
        onError: (problem) => toaster.create({ title: problem.message }),
      },
    );
  const tell = (problem: Error) => toaster.create({ title: problem.message });

  const loadNewer = () => {
    if (save.state.kind !== 'conflict') return;
    const { current } = save.state;
    save.rebase(current);
    dispatch({ type: 'load', look: current.look });
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

  return (
    <Grid
      height={{ base: 'auto', lg: '100%' }}
      minHeight="100%"
      templateRows={{ base: 'auto', lg: 'auto 1fr' }}
      templateColumns={{ base: '1fr', lg: '204px minmax(0, 1fr) 300px' }}
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
              title="Undo (Ctrl Z)"
              disabled={!history.past.length}
              onClick={() => dispatch({ type: 'undo' })}
            >
              <Undo2 aria-hidden="true" />
            </Button>
            <Button
              variant="barQuiet"
              size="icon"
              aria-label="Redo"
              title="Redo (Ctrl Shift Z)"
              disabled={!history.future.length}
              onClick={() => dispatch({ type: 'redo' })}
            >
              <Redo2 aria-hidden="true" />
            </Button>
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
        components={withCurrent(found, component, sheet)}
        currentSelector={component.locator.selector}
        currentKind={component.kind}
        onPick={pick}
      />
      <Flex as="main" direction="column" minWidth="0" overflowY={{ lg: 'auto' }}>
        {save.state.kind === 'conflict' ? (
          <Conflict busy={addTrial.isPending} onLoad={loadNewer} onKeepBoth={keepBoth} />
        ) : null}
        {save.state.kind === 'refused' ? (
          <Box padding="10px 14px 0">
            <Notice tone="short">{save.state.message}</Notice>
          </Box>
        ) : null}
        {opened.error || error ? (
          <Box padding="10px 14px 0">
            <Notice tone="short">{(opened.error ?? error)!.message}</Notice>
          </Box>
        ) : null}
        {opened.data?.outcome === 'moved' ? (
          <Box padding="10px 14px 0">
            <Notice>The page has changed, and this component was found again at {opened.data.selector}.</Notice>
          </Box>
        ) : null}
        <Flex alignItems="center" gap="12px" padding="9px 14px 8px" flexWrap="wrap">
          <Box as="h1" fontSize="17px" fontWeight={650}>
            {component.name}
          </Box>
          <Box color="ink2" minWidth="0" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
            {opened.data ? reachWords(kind.label, kind.plural, opened.data.reach) : ''}{' '}
            <Box as="span" fontFamily="mono" fontSize="11.5px">
              {opened.data?.selector}
            </Box>
          </Box>
          <Flex gap="8px" ml="auto" flexWrap="wrap">
            <Segments label="Width of the page" value={viewport} choices={VIEWPORT_CHOICES} onChange={setViewport} />
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
        </Flex>
        <Grid templateColumns="repeat(auto-fit, minmax(150px, 1fr))" gap="8px" padding="0 14px 12px">
          {opened.data
            ? kind.states.map((state) => (
                <StateFrame
                  key={state.name}
                  component={ref}
                  order={opened.data.order}
                  column={state}
                  viewport={viewport}
                  css={sheet?.frameCss ?? ''}
                  check={sheet?.checks.find((item) => item.column === state.name)}
                  selected={state.name === selected.column}
                  onSelect={() => setSelected({ ...selected, column: state.name })}
                />
              ))
            : null}
        </Grid>
        {sheet ? (
          <Box ref={grid} flex={{ lg: 1 }} bg="card">
            <StateGrid
              kind={kind}
              sheet={sheet}
              selected={selected}
              onSelect={setSelected}
              onEdit={() => field.current?.focus()}
              onClear={(address) => change(address, undefined)}
            />
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
        overflowY="auto"
      >
        {row && cell ? (
          <>
            <Flex alignItems="baseline" gap="8px">
              <Box as="h2" fontSize="14px" fontWeight={650}>
                {row.label}, {column.label.toLowerCase()}
              </Box>
              {cell.own !== undefined ? (
                <Button
                  variant="quiet"
                  size="s"
                  ml="auto"
                  title="Back to what it follows (Delete)"
                  onClick={() => change(selected, undefined)}
                >
                  Clear
                </Button>
              ) : null}
            </Flex>
            <Box color="ink2" mt="1px" mb="10px">
              {followWords(kind, cell)}
            </Box>
            <ColourEditor
              component={ref}
              look={look}
              viewport={viewport}
              address={selected}
              cell={cell}
              colours={colours.data ?? []}
              field={field}
              onChange={(value, gesture) => change(selected, value, gesture)}
              onLeave={backToGrid}
            />
            {check ? (
              <Box borderTop="1px solid {colors.line}" mt="14px" pt="11px">
                <Measure check={check} />
              </Box>
            ) : null}
            <Box borderTop="1px solid {colors.line}" mt="12px" pt="11px">
              <SiteSourceNote cell={cell} />
              <Reasons component={ref} viewport={viewport} cell={selected} replaced={cell.from === 'look'} />
            </Box>
          </>
        ) : null}
      </Box>
    </Grid>
  );
}

/** The list with the figures of the edit in hand, which the stored looks do not have yet. */
function withCurrent(
  found: readonly FoundWithChecks[],
  component: Component,
  sheet: StateSheet | undefined,
): readonly FoundWithChecks[] {
  if (!sheet) return found;
  const count = (verdict: string) => sheet.checks.filter((check) => check.verdict === verdict).length;
  return found.map((item) =>
    item.kind === component.kind && item.selector === component.locator.selector
      ? { ...item, short: count('short'), unsure: count('unsure') }
      : item,
  );
}

const reachWords = (one: string, many: string, reach: number) => (reach === 1 ? one : `${reach} ${many}`);

function Legend() {
  return (
    <Flex gap="18px" padding="10px 14px" color="ink3" fontSize="12px" flexWrap="wrap">
      <span>Square: set for this state. Ring: follows another. Bar at the left: set by you.</span>
      <span>Arrows move, Enter edits, Delete clears.</span>
    </Flex>
  );
}
