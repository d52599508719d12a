import type { SeenAs } from '../../frame/seen-as';
import { Segments } from '../../shell/Segments';
import { Button } from '../../theme/Button';
import { PLAIN_VIEW, viewWords, type FramesView } from './frames-view';

const GROUNDS = ['#ffffff', '#808080', '#000000'];

const SEEN_AS: readonly { readonly value: SeenAs; readonly label: string }[] = [
  { value: 'protan', label: 'Without red cones (protan)' },
  { value: 'deutan', label: 'Without green cones (deutan)' },
  { value: 'tritan', label: 'Without blue cones (tritan)' },
  { value: 'grey', label: 'In grey' },
  { value: 'forced', label: 'With forced colours' },
];

/** All ways in which the frames can show a component. */
export default function ViewChoices({
  view,
  openable,
  onChange,
}: {
  view: FramesView;
  /** Parts that can be shown open. */
  openable: readonly { readonly name: string; readonly label: string }[];
  onChange: (view: FramesView) => void;
}) {
  const set = (part: Partial<FramesView>) => onChange({ ...view, ...part });
  const words = viewWords(view);
  return (
    <div className="view-menu">
      <div className="line">
        <span>Side by side</span>
        <Segments
          label="Side by side"
          value={view.beside}
          choices={[
            { value: 'states', label: 'States' },
            { value: 'widths', label: 'Widths', hint: 'The state in hand at every width' },
            { value: 'both', label: 'Both' },
            { value: 'versions', label: 'Versions', hint: 'The other versions under the one in hand' },
          ]}
          onChange={(beside) => set({ beside })}
        />
      </div>
      <div className="line">
        <span>Framing</span>
        <Segments
          label="Framing"
          value={view.framing}
          choices={[
            { value: 'close', label: 'Close up' },
            { value: 'page', label: 'Whole page' },
          ]}
          onChange={(framing) => set({ framing })}
        />
      </div>
      <div className="line">
        <label htmlFor="view-zoom">Zoom</label>
        <input
          id="view-zoom"
          type="range"
          min={50}
          max={300}
          step={10}
          value={Math.round(view.zoom * 100)}
          onChange={(event) => set({ zoom: event.target.valueAsNumber / 100 })}
        />
        <output>{Math.round(view.zoom * 100)} %</output>
      </div>
      <div className="line" role="group" aria-label="Behind it">
        <span>Behind it</span>
        <button
          type="button"
          className="small-button"
          aria-pressed={view.ground === undefined}
          onClick={() => set({ ground: undefined })}
        >
          Its page
        </button>
        {GROUNDS.map((ground) => (
          <button
            key={ground}
            type="button"
            className="ground"
            style={{ background: ground }}
            aria-label={ground}
            aria-pressed={view.ground === ground}
            onClick={() => set({ ground })}
          />
        ))}
        <input
          type="color"
          aria-label="Another colour behind it"
          value={view.ground ?? '#d9d9d6'}
          onChange={(event) => set({ ground: event.target.value })}
        />
      </div>
      <label className="line">
        <input
          type="checkbox"
          checked={!view.pictures}
          onChange={(event) => set({ pictures: !event.target.checked })}
        />
        Pictures missing, as when they fail to load
      </label>
      <label className="line">
        <input type="checkbox" checked={view.alone} onChange={(event) => set({ alone: event.target.checked })} />
        This look alone, without those of other components
      </label>
      <div className="line">
        <label htmlFor="view-seen">Seen</label>
        <select
          id="view-seen"
          value={view.seen ?? ''}
          onChange={(event) => set({ seen: (event.target.value || undefined) as FramesView['seen'] })}
        >
          <option value="">As most people see it</option>
          {SEEN_AS.map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </select>
      </div>
      <label className="line">
        <input type="checkbox" checked={view.heat} onChange={(event) => set({ heat: event.target.checked })} />
        Heat map of the contrast behind each text
      </label>
      {openable.length ? (
        <div className="line">
          <label htmlFor="view-open">Shown open</label>
          <select
            id="view-open"
            value={view.open ?? ''}
            onChange={(event) => set({ open: event.target.value || undefined })}
          >
            <option value="">Only what is in hand</option>
            {openable.map((part) => (
              <option key={part.name} value={part.name}>
                {part.label}
              </option>
            ))}
          </select>
        </div>
      ) : null}
      <div className="line end">
        {view.ground ? <span className="quiet">Figures stay those of the real page.</span> : null}
        <Button variant="quiet" size="s" disabled={!words.length} onClick={() => onChange(PLAIN_VIEW)}>
          As usual
        </Button>
      </div>
    </div>
  );
}
