import type { Look, Setting } from '@retoque/core';
import { late } from '../../shell/late';
import type { OpenedComponent } from '../../engine/protocol';
import { useHand } from '../editor/hand';
import type { LookEditor } from '../look/useLookEditor';
import type { useReach } from '../reach/useReach';
import type { GridView } from '../grid/useGridView';
import type { Command } from './commands';
import type { useDialogs } from './useDialogs';
import type { Styled } from './useOpened';
import type { usePageMarkup } from './usePageMarkup';
import type { Placing } from './usePlace';

const Preview = late(() => import('../../preview/Preview'));
const AddComponent = late(() => import('../../anew/AddComponent'));
const CommandPalette = late(() => import('./CommandPalette'));
const Pointing = late(() => import('../grid/Pointing'));
const AcrossSite = late(() => import('../../ledger/AcrossSite'));
const ReachDialog = late(() => import('../reach/ReachDialog'));
const Shortcuts = late(() => import('./Shortcuts'));

const NO_COMMANDS: readonly Command[] = [];

/** What opens over the Style screen. */
export default function BenchDialogs({
  styled,
  found,
  dialogs: { open, listed, close },
  grid,
  commands,
  markup,
  across,
  reaching,
  editor,
  placing,
  onPoint,
  onAcross,
  onUndo,
  onLeaveAcross,
}: {
  styled: Styled;
  found: OpenedComponent | undefined;
  dialogs: ReturnType<typeof useDialogs>;
  grid: GridView;
  commands: readonly Command[];
  markup: ReturnType<typeof usePageMarkup>;
  /** The colour that is looked for in the whole site. */
  across: string | undefined;
  reaching: ReturnType<typeof useReach>;
  editor: LookEditor;
  placing: Placing;
  onPoint: (order: number) => void;
  onAcross: (settings: readonly Setting[], name: string) => void;
  onUndo: () => void;
  onLeaveAcross: () => void;
}) {
  const { component, look, query, viewport, onTry } = useHand();
  const { part, partColumns, active } = grid;
  const pageId = styled.page.id;
  const holdHere = (alone: Look) => {
    editor.replace(alone, 'On this page alone');
    placing.changePlace({ ...placing.place, page: pageId });
    reaching.settle();
  };
  return (
    <>
      {listed ? (
        <>
          <CommandPalette
            commands={open === 'commands' ? commands : NO_COMMANDS}
            open={open === 'commands'}
            onClose={close}
          />
          <Shortcuts commands={open === 'keys' ? commands : NO_COMMANDS} open={open === 'keys'} onClose={close} />
        </>
      ) : null}
      {open === 'preview' && part ? (
        <Preview
          name={styled.component.name}
          component={component}
          part={part.name}
          columns={partColumns}
          column={active.head.column}
          place={query.place}
          look={look}
          order={part.order}
          root={found?.order ?? 0}
          path={new URL(styled.page.version.address).pathname}
          keeping={markup.adding}
          onKeep={markup.keepWording}
          onGive={markup.keepBehaviour}
          onClose={close}
        />
      ) : null}
      {open === 'anew' ? <AddComponent site={styled.site} page={styled.page} onClose={close} /> : null}
      {across !== undefined ? (
        <AcrossSite
          site={styled.site}
          colour={across}
          inHand={component}
          look={look}
          kept={styled.kept}
          onTry={onTry}
          onApply={onAcross}
          onUndo={onUndo}
          onClose={onLeaveAcross}
        />
      ) : null}
      {open === 'reach' || reaching.asks ? (
        <ReachDialog
          component={component}
          name={styled.component.name}
          look={look}
          reach={reaching.reach}
          part={active.head.part}
          asks={reaching.asks}
          onEvery={reaching.settle}
          onHere={holdHere}
          onBack={(before) => editor.replace(before, 'Taken back')}
          onClose={close}
        />
      ) : null}
      {open === 'pointing' ? (
        <Pointing
          versionId={styled.versionId}
          label={part?.label ?? 'part'}
          viewport={viewport}
          onPick={onPoint}
          onClose={close}
        />
      ) : null}
    </>
  );
}
