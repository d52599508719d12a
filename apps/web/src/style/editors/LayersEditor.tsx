import { printGradient, readGradient, splitTopLevel, type Gradient } from '@retoque/core';
import { ArrowUp, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import type { EditorProps } from './editing';
import { ItemButton } from './ItemButton';
import { GradientEditor } from './GradientEditor';

/** What a new gradient starts from, in the colours of the site where it has two. */
const start = (colours: readonly string[]): Gradient => ({
  shape: 'linear',
  repeating: false,
  direction: '180deg',
  stops: [
    { colour: colours[0] ?? '#3a6b7a', at: '0%' },
    { colour: colours[1] ?? '#14323a', at: '100%' },
  ],
});

const isNone = (text: string) => text === 'none' || text === '';

/** Layers of pictures and gradients behind a part, the front one first. */
export default function LayersEditor({ row, value, onChange, onSettle, colours }: EditorProps) {
  const [open, setOpen] = useState(0);
  const layers = isNone(value) ? [] : splitTopLevel(value);
  const set = (next: readonly string[]) => onChange({ [row.key]: next.length ? next.join(', ') : 'none' });
  const replace = (at: number, text: string) => set(layers.map((layer, i) => (i === at ? text : layer)));
  return (
    <>
      {layers.map((layer, i) => {
        const gradient = readGradient(layer);
        const name = gradient ? `${gradient.repeating ? 'Repeating ' : ''}${gradient.shape} gradient` : nameOf(layer);
        return (
          <div key={i} className="item" role="group" aria-label={`Layer ${i + 1}`}>
            <div className="line">
              <button
                type="button"
                className="fold-layer"
                aria-expanded={open === i}
                onClick={() => setOpen(open === i ? -1 : i)}
              >
                <i style={gradient ? { backgroundImage: layer } : undefined} />
                {name[0]!.toUpperCase() + name.slice(1)}
              </button>
              <span className="end" />
              {i > 0 ? (
                <ItemButton
                  label={`Move layer ${i + 1} to the front`}
                  onPress={() => {
                    set([layer, ...layers.filter((_layer, at) => at !== i)]);
                    setOpen(0);
                    onSettle();
                  }}
                >
                  <ArrowUp aria-hidden="true" />
                </ItemButton>
              ) : null}
              <ItemButton
                label={`Remove layer ${i + 1}`}
                onPress={() => {
                  set(layers.filter((_layer, at) => at !== i));
                  onSettle();
                }}
              >
                <Trash2 aria-hidden="true" />
              </ItemButton>
            </div>
            {open === i && gradient ? (
              <GradientEditor
                gradient={gradient}
                colours={colours}
                onChange={(next) => replace(i, printGradient(next))}
                onSettle={onSettle}
              />
            ) : null}
            {open === i && !gradient ? <p className="small">{layer}</p> : null}
          </div>
        );
      })}
      <button
        type="button"
        className="small-button"
        onClick={() => {
          set([printGradient(start(colours)), ...layers]);
          setOpen(0);
          onSettle();
        }}
      >
        <Plus aria-hidden="true" /> Add a gradient
      </button>
    </>
  );
}

/** A picture by its file's name. */
function nameOf(layer: string): string {
  const address = /^url\(["']?([^"')]*)/i.exec(layer)?.[1];
  if (address === undefined) return 'layer';
  return address.startsWith('data:')
    ? 'picture in the sheet'
    : address.split(/[?#]/)[0]!.split('/').at(-1) || 'picture';
}
