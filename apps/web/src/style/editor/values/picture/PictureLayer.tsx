import { rowNamed, type Layer } from '@retoque/core';
import { useState } from 'react';
import { assetSource } from '../../../../assets/queries';
import { weightWords } from '../../../../assets/words';
import { problemOf } from '../editing';
import { NumberField } from '../NumberField';
import { useCellSite } from '../../site-context';
import { PaintedAt } from './PaintedAt';
import { PictureTools } from './PictureTools';
import { useNaturalSize } from './useNaturalSize';
import { usePicture } from './usePictures';

const SIZES = [
  { value: 'cover', label: 'Cover' },
  { value: 'contain', label: 'Contain' },
  { value: 'auto', label: 'As it is' },
];
const REPEATS = [
  { value: 'no-repeat', label: 'Once' },
  { value: 'repeat', label: 'Both ways' },
  { value: 'repeat-x', label: 'Across' },
  { value: 'repeat-y', label: 'Down' },
  { value: 'round', label: 'Both ways, whole' },
  { value: 'space', label: 'Both ways, spaced' },
];
const PLACES = ['0%', '50%', '100%'];
const ACROSS = ['left', 'middle', 'right'];
const DOWN = ['top', 'middle', 'bottom'];
/** Common practice: a picture behind a bar weighs well under this, in bytes. */
const HEAVY = 200_000;

/** The address in `url(…)`; undefined for what is no picture. */
export function addressOf(image: string): string | undefined {
  const match = /^url\((?:"((?:[^"\\]|\\.)*)"|'((?:[^'\\]|\\.)*)'|([^)]*))\)$/i.exec(image.trim());
  return match ? (match[1] ?? match[2] ?? match[3] ?? '').replace(/\\(.)/g, '$1') : undefined;
}
export const pictureText = (address: string): string => `url("${address.replace(/["\\]/g, '\\$&')}")`;

/** One picture among the layers: how large, where and how often it is painted, what of it is seen, and what it weighs. */
export function PictureLayer({
  layer,
  others,
  onChange,
  onSettle,
}: {
  layer: Layer;
  /** The other layers, which stay where this one is left out. */
  others: readonly Layer[];
  onChange: (part: Partial<Layer>) => void;
  onSettle: () => void;
}) {
  const { mediumFrom, setAt } = useCellSite();
  const address = addressOf(layer.image) ?? '';
  const picture = usePicture(address);
  const natural = useNaturalSize(picture && assetSource(picture.hash));
  const [tools, setTools] = useState(false);
  const custom = !SIZES.some(({ value }) => value === layer.size);
  const choose = (part: Partial<Layer>) => {
    onChange(part);
    onSettle();
  };
  return (
    <div className="picture-layer">
      {picture ? (
        <p className="small" data-testid="weight">
          {natural ? `${natural.width} × ${natural.height}, ` : ''}
          {weightWords(picture.size)}
          {picture.size > HEAVY ? ' – heavy for a picture behind a part' : ''}
        </p>
      ) : (
        <p className="small">{address} is not among the files of this site, so it is not shown here.</p>
      )}
      <label className="line">
        <span className="label">Size</span>
        <select
          value={custom ? 'custom' : layer.size}
          onChange={(event) => choose({ size: event.target.value === 'custom' ? '50%' : event.target.value })}
        >
          {SIZES.map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
          <option value="custom">Own width</option>
        </select>
      </label>
      {custom ? (
        <NumberField
          label="Width"
          value={layer.size.split(' ')[0]!}
          amount={{ unit: 'px', least: 0, step: 1 }}
          problemOf={problemOf(rowNamed('background-size')!)}
          onChange={(size) => onChange({ size })}
          onSettle={onSettle}
        />
      ) : null}
      <div className="line">
        <div className="places" role="group" aria-label="Place of the picture">
          {PLACES.flatMap((y, i) =>
            PLACES.map((x, j) => (
              <button
                key={x + y}
                type="button"
                aria-label={`${DOWN[i]}, ${ACROSS[j]}`}
                aria-pressed={layer.x === x && layer.y === y}
                onClick={() => choose({ x, y })}
              />
            )),
          )}
        </div>
        <div className="fields">
          {(['x', 'y'] as const).map((axis) => (
            <NumberField
              key={axis}
              label={axis === 'x' ? 'Across' : 'Down'}
              value={layer[axis]}
              amount={{ unit: '%', step: 5 }}
              problemOf={problemOf(rowNamed('background-position')!)}
              onChange={(text) => onChange({ [axis]: text })}
              onSettle={onSettle}
            />
          ))}
        </div>
      </div>
      <label className="line">
        <span className="label">Repeated</span>
        <select value={layer.repeat} onChange={(event) => choose({ repeat: event.target.value })}>
          {REPEATS.some(({ value }) => value === layer.repeat) ? null : <option>{layer.repeat}</option>}
          {REPEATS.map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </select>
      </label>
      {picture && natural ? <PaintedAt layer={layer} source={assetSource(picture.hash)} natural={natural} /> : null}
      <div className="line">
        <button
          type="button"
          className="small-button"
          title="The other layers and the colour beneath stay"
          onClick={() =>
            setAt('medium', {
              'background-image': others.length ? others.map(({ image }) => image).join(', ') : 'none',
            })
          }
        >
          Only wider than {mediumFrom} px
        </button>
        {picture && natural ? (
          <button type="button" className="small-button" aria-expanded={tools} onClick={() => setTools(!tools)}>
            Crop and weight
          </button>
        ) : null}
      </div>
      {tools && picture && natural ? (
        <PictureTools
          key={picture.hash}
          picture={picture}
          natural={natural}
          onMade={(made) => choose({ image: pictureText(made) })}
        />
      ) : null}
    </div>
  );
}
