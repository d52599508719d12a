import {
  printGradient,
  printLayers,
  PLAIN_LAYER,
  readGradient,
  readLayers,
  type Gradient,
  type Layer,
} from '@retoque/core';
import { ArrowUp, ImagePlus, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useShownColours } from './useShownColours';
import { ColourField } from './ColourField';
import type { EditorProps } from './editing';
import { ItemButton } from './ItemButton';
import { GradientEditor } from './GradientEditor';
import { PictureChooser } from './picture/PictureChooser';
import { addressOf, PictureLayer } from './picture/PictureLayer';

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

/** Longhands that stand in lists beside the pictures. */
const LISTS = ['background-size', 'background-position-x', 'background-position-y', 'background-repeat'];
/** What a new picture starts from: all of its ground, and once. */
const PICTURE: Omit<Layer, 'image'> = { size: 'cover', x: '50%', y: '50%', repeat: 'no-repeat' };

/** Layers of pictures and gradients behind a part, the front one first, and the colour beneath them. */
export default function LayersEditor({ value, valueOf, onChange, onSettle, colours }: EditorProps) {
  const [open, setOpen] = useState(0);
  const [choosing, setChoosing] = useState(false);
  const textOf = (property: string): string => {
    if (property === 'background-image') return value;
    const axis = /^background-position-([xy])$/.exec(property)?.[1];
    if (!axis) return valueOf(property);
    return positions(valueOf('background-position'))
      .map((pair) => pair[axis === 'x' ? 0 : 1])
      .join(', ');
  };
  const inColours = useShownColours();
  const layers = readLayers(textOf);
  const isPlain = LISTS.every((property) => ['', 'auto', '0%', 'repeat'].includes(textOf(property)));
  const set = (next: readonly Layer[]) => onChange(printLayers(next, isPlain ? [] : LISTS));
  const replace = (at: number, part: Partial<Layer>) =>
    set(layers.map((layer, i) => (i === at ? { ...layer, ...part } : layer)));
  const add = (layer: Layer) => {
    set([layer, ...layers]);
    setOpen(0);
    onSettle();
  };
  return (
    <>
      {layers.map((layer, i) => {
        const gradient = readGradient(layer.image);
        const name = gradient
          ? `${gradient.repeating ? 'Repeating ' : ''}${gradient.shape} gradient`
          : nameOf(layer.image);
        return (
          <div key={i} className="item" role="group" aria-label={`Layer ${i + 1}`}>
            <div className="line">
              <button
                type="button"
                className="fold-layer"
                aria-expanded={open === i}
                onClick={() => setOpen(open === i ? -1 : i)}
              >
                <i style={gradient ? { backgroundImage: inColours(layer.image) } : undefined} />
                {gradient ? name[0]!.toUpperCase() + name.slice(1) : name}
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
                onChange={(next) => replace(i, { image: printGradient(next) })}
                onSettle={onSettle}
              />
            ) : null}
            {open === i && !gradient && addressOf(layer.image) !== undefined ? (
              <PictureLayer
                layer={layer}
                others={layers.filter((_layer, at) => at !== i)}
                onChange={(part) => replace(i, part)}
                onSettle={onSettle}
              />
            ) : null}
            {open === i && !gradient && addressOf(layer.image) === undefined ? (
              <p className="small">{layer.image}</p>
            ) : null}
          </div>
        );
      })}
      <div className="line">
        <button
          type="button"
          className="small-button"
          onClick={() => add({ ...PLAIN_LAYER, image: printGradient(start(colours)) })}
        >
          <Plus aria-hidden="true" /> Add a gradient
        </button>
        <button type="button" className="small-button" aria-expanded={choosing} onClick={() => setChoosing(!choosing)}>
          <ImagePlus aria-hidden="true" /> Add a picture
        </button>
      </div>
      {choosing ? (
        <PictureChooser
          onChoose={(image, isDone) => {
            add({ ...PICTURE, image });
            if (isDone) setChoosing(false);
          }}
        />
      ) : null}
      <div>
        <p className="small">Colour beneath, and where a picture does not load</p>
        <ColourField
          label="Colour beneath"
          value={valueOf('background')}
          colours={colours}
          onChange={(text) => onChange({ 'background-color': text })}
          onSettle={onSettle}
        />
      </div>
    </>
  );
}

/** Pairs of a list of positions as CSSOM prints it: across, then down. */
const positions = (text: string): (readonly [string, string])[] =>
  text.split(',').map((pair) => {
    const terms = pair.trim().split(/\s+/);
    if (terms.length === 4) return [`${terms[0]} ${terms[1]}`, `${terms[2]} ${terms[3]}`];
    return [terms[0] || '0%', terms[1] ?? '50%'];
  });

/** A picture by its file's name. */
function nameOf(image: string): string {
  const address = addressOf(image);
  if (address === undefined) return 'layer';
  return address.startsWith('data:')
    ? 'picture in the sheet'
    : decodeURIComponent(address.split(/[?#]/)[0]!.split('/').at(-1)!) || 'picture';
}
