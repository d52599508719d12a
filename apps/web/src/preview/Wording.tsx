import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { SortableContext, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { ArrowDown, ArrowUp, Copy, Eye, EyeOff, GripVertical, Smile, Trash2 } from 'lucide-react';
import { useCallback, useRef, useState, type KeyboardEvent } from 'react';
import { late } from '../shell/late';
import { toaster } from '../shell/toasts';
import { Button } from '../theme/Button';
import { WordingDraft, type WordingItem, type WordingView } from './wording-draft';

const EmojiPicker = late(() => import('./EmojiPicker'), <p className="small">Opening the emoji…</p>);

type Field = HTMLInputElement | HTMLTextAreaElement;

/** The texts, links and items of a component, to be worded, ordered and counted otherwise while the page shows it. */
export function Wording({
  html,
  busy,
  onChange,
  onKeep,
}: {
  /** Of the component as it is on the page. */
  html: string;
  busy: boolean;
  onChange: (html: string) => void;
  onKeep: (html: string) => void;
}) {
  const [draft] = useState(() => new WordingDraft(html));
  const [view, setView] = useState<WordingView>(() => draft.view());
  const [emoji, setEmoji] = useState(false);
  const last = useRef<{ readonly id: number; readonly field: Field }>(undefined);
  const change = useCallback(
    (act: (now: WordingDraft) => void) => {
      act(draft);
      const next = draft.view();
      setView(next);
      onChange(next.html);
    },
    [draft, onChange],
  );
  const insert = useCallback(
    (text: string) => {
      const target = last.current;
      if (!target) return toaster.create({ title: 'Click into a text first; the emoji goes there.' });
      const { id, field } = target;
      const at = field.selectionStart ?? field.value.length;
      change((now) => now.write(id, field.value.slice(0, at) + text + field.value.slice(field.selectionEnd ?? at)));
    },
    [change],
  );
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const drop = ({ active, over }: DragEndEvent) => {
    if (over) change((now) => now.moveTo(Number(active.id), Number(over.id)));
  };
  const copy = (text: string, done: string) =>
    void navigator.clipboard.writeText(text).then(
      () => toaster.create({ title: done }),
      () => toaster.create({ title: 'The browser does not allow copying here.' }),
    );
  return (
    <aside className="wording" aria-label="Wording">
      <div className="wording-items">
        <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
          <SortableContext items={view.items.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
            {view.items.map((item) => (
              <ItemFields
                key={item.id}
                item={item}
                onWrite={(id, value) => change((now) => now.write(id, value))}
                onBreak={(id, at) => change((now) => now.breakLine(id, at))}
                onFocus={(id, field) => (last.current = { id, field })}
                onAct={(act) => change((now) => now[act](item.id))}
                onMove={(by) => change((now) => now.move(item.id, by))}
              />
            ))}
          </SortableContext>
        </DndContext>
      </div>
      {emoji ? <EmojiPicker onPick={insert} /> : null}
      <div className="wording-end">
        {view.changes.length ? (
          <ul aria-label="What to change">
            {view.changes.map((words, i) => (
              <li key={`${i} ${words}`}>{words}</li>
            ))}
          </ul>
        ) : (
          <p className="small">
            Longer texts, a second line, one item more: see whether the component holds them. Enter begins a second
            line.
          </p>
        )}
        <div className="line">
          <Button size="s" aria-pressed={emoji} onClick={() => setEmoji(!emoji)}>
            <Smile aria-hidden="true" />
            Emoji
          </Button>
          <Button size="s" disabled={!view.changes.length} onClick={() => copy(view.html, 'Copied as HTML')}>
            Copy the HTML
          </Button>
          <Button
            size="s"
            disabled={!view.changes.length}
            onClick={() => copy(view.changes.map((words) => `- ${words}`).join('\n'), 'Copied as a list')}
          >
            Copy the list
          </Button>
          <Button variant="solid" size="s" disabled={!view.changes.length || busy} onClick={() => onKeep(view.html)}>
            Keep it on the page
          </Button>
        </div>
      </div>
    </aside>
  );
}

function ItemFields({
  item,
  onWrite,
  onBreak,
  onFocus,
  onAct,
  onMove,
}: {
  item: WordingItem;
  onWrite: (id: number, value: string) => void;
  /** Begins a second line. */
  onBreak: (id: number, at: number) => void;
  onFocus: (id: number, field: Field) => void;
  onAct: (act: 'copy' | 'toggleHidden' | 'remove') => void;
  onMove: (by: 1 | -1) => void;
}) {
  const name = item.fields[0]?.value ?? 'item';
  const { setNodeRef, setActivatorNodeRef, listeners, transform, transition, isDragging } = useSortable({
    id: item.id,
    disabled: !item.canMove,
    data: { group: item.group },
  });
  return (
    <div
      ref={setNodeRef}
      className="wording-item"
      style={{
        marginLeft: item.depth * 14,
        transition,
        ...(transform ? { transform: `translateY(${transform.y}px)` } : {}),
      }}
      data-hidden={item.isHidden ? '' : undefined}
      data-dragged={isDragging ? '' : undefined}
    >
      {item.fields.map((field) => {
        const props = {
          'aria-label': `${field.label}: ${field.value}`,
          value: field.value,
          'aria-invalid': field.problem ? (true as const) : undefined,
          onFocus: (event: { target: Field }) => onFocus(field.id, event.target),
          onChange: (event: { target: Field }) => onWrite(field.id, event.target.value),
          onKeyDown: (event: KeyboardEvent<Field>) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            onBreak(field.id, event.currentTarget.selectionStart ?? field.value.length);
          },
        };
        return (
          <label key={field.id}>
            <span>{field.label}</span>
            {field.isLong ? <textarea rows={3} {...props} /> : <input {...props} />}
            {field.problem ? (
              <span role="alert" className="problem">
                {field.problem}
              </span>
            ) : null}
          </label>
        );
      })}
      {item.canMove ? (
        <div className="line">
          <span ref={setActivatorNodeRef} className="grip" title="Drag it to another place" {...listeners}>
            <GripVertical aria-hidden="true" />
          </span>
          <button
            type="button"
            className="small-button"
            aria-label={`Move “${name}” up`}
            disabled={!item.canMove.up}
            onClick={() => onMove(-1)}
          >
            <ArrowUp aria-hidden="true" />
          </button>
          <button
            type="button"
            className="small-button"
            aria-label={`Move “${name}” down`}
            disabled={!item.canMove.down}
            onClick={() => onMove(1)}
          >
            <ArrowDown aria-hidden="true" />
          </button>
          <button type="button" className="small-button" aria-label={`Copy “${name}”`} onClick={() => onAct('copy')}>
            <Copy aria-hidden="true" />
          </button>
          <button
            type="button"
            className="small-button"
            aria-label={`${item.isHidden ? 'Show' : 'Hide'} “${name}”`}
            onClick={() => onAct('toggleHidden')}
          >
            {item.isHidden ? <Eye aria-hidden="true" /> : <EyeOff aria-hidden="true" />}
          </button>
          <button
            type="button"
            className="small-button"
            aria-label={`Take “${name}” out`}
            onClick={() => onAct('remove')}
          >
            <Trash2 aria-hidden="true" />
          </button>
        </div>
      ) : null}
    </div>
  );
}
