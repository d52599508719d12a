import type { Recode, Recoded } from '@retoque/contract';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { assetSource, useSiteAssetChanges } from '../../../../assets/queries';
import { weightWords } from '../../../../assets/words';
import { useCellSite } from '../../site-context';
import { Slider } from '../Slider';
import type { Measures } from './useNaturalSize';
import type { KnownPicture } from './usePictures';

type Crop = NonNullable<Recode['crop']>;
const FORMATS: readonly Recode['format'][] = ['webp', 'avif', 'jpeg', 'png'];
const WAIT_MILLIS = 350;
const SIDES = ['left', 'top', 'width', 'height'] as const;

/** Crops a picture, makes it smaller and lighter on the server, and tells its weight before it is used. */
export function PictureTools({
  picture,
  natural,
  onMade,
}: {
  picture: KnownPicture;
  natural: Measures;
  /** @param address of the new picture */
  onMade: (address: string) => void;
}) {
  const { siteId } = useCellSite();
  const { recode } = useSiteAssetChanges(siteId);
  const { mutate } = recode;
  const whole: Crop = { left: 0, top: 0, width: natural.width, height: natural.height };
  const [crop, setCrop] = useState(whole);
  const [width, setWidth] = useState(Math.min(natural.width, 1600));
  const [format, setFormat] = useState<Recode['format']>('webp');
  const [quality, setQuality] = useState(75);
  const [result, setResult] = useState<Recoded>();
  const [problem, setProblem] = useState<string>();
  const isCropped = SIDES.some((side) => crop[side] !== whole[side]);
  const request = (keep: boolean): Recode => ({
    source: picture.hash,
    name: picture.name,
    ...(isCropped ? { crop } : {}),
    width: Math.min(width, crop.width),
    format,
    quality,
    keep,
  });
  const asked = JSON.stringify(request(false));
  useEffect(() => {
    const timer = setTimeout(() => {
      mutate(JSON.parse(asked) as Recode, {
        onSuccess: (made) => {
          setResult(made);
          setProblem(undefined);
        },
        onError: (error) => setProblem(error.message),
      });
    }, WAIT_MILLIS);
    return () => clearTimeout(timer);
  }, [asked, mutate]);
  const use = () =>
    mutate(request(true), {
      onSuccess: ({ asset }) => asset && onMade(asset.address),
      onError: (error) => setProblem(error.message),
    });
  const setSide = (side: (typeof SIDES)[number], value: number) => {
    if (!Number.isFinite(value)) return;
    setCrop((now) => clampCrop({ ...now, [side]: Math.round(value) }, natural));
  };
  return (
    <div className="picture-tools" role="group" aria-label="Crop and weight">
      <CropPad source={assetSource(picture.hash)} natural={natural} crop={crop} onChange={setCrop} />
      <div className="crop-fields">
        {SIDES.map((side) => (
          <label key={side}>
            {side}
            <input
              type="number"
              aria-label={`Crop, ${side}`}
              min={0}
              max={side === 'left' || side === 'width' ? natural.width : natural.height}
              value={crop[side]}
              onChange={(event) => setSide(side, event.target.valueAsNumber)}
            />
          </label>
        ))}
      </div>
      <label className="line">
        <span className="label">Pixels wide</span>
        <input
          type="number"
          className="plain-number"
          min={1}
          max={natural.width}
          value={Math.min(width, crop.width)}
          onChange={(event) => {
            const next = Math.round(event.target.valueAsNumber);
            if (next >= 1) setWidth(next);
          }}
        />
      </label>
      <label className="line">
        <span className="label">Format</span>
        <select value={format} onChange={(event) => setFormat(event.target.value as Recode['format'])}>
          {FORMATS.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      <div className="line">
        <span className="label">Quality {quality}</span>
        <Slider
          label="Quality"
          value={quality}
          least={10}
          most={100}
          step={5}
          onChange={setQuality}
          onSettle={() => undefined}
        />
      </div>
      {problem ? (
        <p role="alert" className="problem">
          {problem}
        </p>
      ) : (
        <p className="small" data-testid="recoded" aria-live="polite">
          {result
            ? `${weightWords(result.before)} → ${weightWords(result.after)}, ${result.width} × ${result.height}`
            : 'Weighing…'}
        </p>
      )}
      <button type="button" className="small-button" disabled={!result || recode.isPending} onClick={use}>
        Use this picture
      </button>
    </div>
  );
}

/** Keeps a crop inside its picture. */
function clampCrop({ left, top, width, height }: Crop, natural: Measures): Crop {
  const l = Math.min(Math.max(0, left), natural.width - 1);
  const t = Math.min(Math.max(0, top), natural.height - 1);
  return {
    left: l,
    top: t,
    width: Math.min(Math.max(1, width), natural.width - l),
    height: Math.min(Math.max(1, height), natural.height - t),
  };
}

/** The picture, on which a crop is drawn by dragging. */
function CropPad({
  source,
  natural,
  crop,
  onChange,
}: {
  source: string;
  natural: Measures;
  crop: Crop;
  onChange: (crop: Crop) => void;
}) {
  const pad = useRef<HTMLDivElement>(null);
  const start = useRef<{ readonly x: number; readonly y: number }>(undefined);
  const at = (event: PointerEvent) => {
    const box = pad.current!.getBoundingClientRect();
    return {
      x: ((event.clientX - box.left) / box.width) * natural.width,
      y: ((event.clientY - box.top) / box.height) * natural.height,
    };
  };
  return (
    <div
      ref={pad}
      className="crop-pad"
      style={{ aspectRatio: `${natural.width} / ${natural.height}`, backgroundImage: `url("${source}")` }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        start.current = at(event);
      }}
      onPointerMove={(event) => {
        if (!start.current) return;
        const { x, y } = start.current;
        const now = at(event);
        const next = {
          left: Math.round(Math.min(x, now.x)),
          top: Math.round(Math.min(y, now.y)),
          width: Math.round(Math.abs(now.x - x)),
          height: Math.round(Math.abs(now.y - y)),
        };
        // A click that hardly moves is no crop.
        if (next.width > 4 && next.height > 4) onChange(clampCrop(next, natural));
      }}
      onPointerUp={() => (start.current = undefined)}
    >
      <i
        style={{
          left: `${(crop.left / natural.width) * 100}%`,
          top: `${(crop.top / natural.height) * 100}%`,
          width: `${(crop.width / natural.width) * 100}%`,
          height: `${(crop.height / natural.height) * 100}%`,
        }}
      />
    </div>
  );
}
