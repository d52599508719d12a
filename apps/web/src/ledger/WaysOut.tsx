import {
  columnNamed,
  LEVELS,
  type CheckRef,
  type Look,
  type Remedy,
  type Setting,
  type ViewportName,
} from '@retoque/core';
import { useEffect, useState } from 'react';
import type { ComponentRef, LedgerQuery } from '../engine/protocol';
import { Button } from '../theme/Button';
import { countChecks } from './merge';
import { useRemedies } from './queries';
import { figureWords } from './words';

export interface RemedyActions {
  /** Shows the component with these settings, or as it is again. */
  readonly onTry: (settings: readonly Setting[] | undefined) => void;
  /** One step that can be undone. */
  readonly onApply: (settings: readonly Setting[], name: string) => void;
}

const MOST = 4;

/** Ranked suggested fixes of one check, each with its figure and all that it would change. */
export default function WaysOut({
  component,
  look,
  query,
  check,
  at,
  onTry,
  onApply,
}: {
  component: ComponentRef;
  look: Look;
  query: LedgerQuery;
  check: CheckRef;
  at: ViewportName;
} & RemedyActions) {
  const answer = useRemedies(component, look, query, check, at);
  const [tried, setTried] = useState<Remedy>();
  const show = (remedy: Remedy | undefined) => {
    setTried(remedy);
    onTry(remedy?.settings);
  };
  // What was tried is taken back when the list goes.
  useEffect(() => () => onTry(undefined), [onTry]);
  if (answer.isPending) return <p className="ways small">Looking for fixes…</p>;
  if (!answer.data?.length) {
    return <p className="ways small">No single change was found that passes everywhere it would be seen.</p>;
  }
  return (
    <ul className="ways" aria-label="Suggested fixes">
      {answer.data.slice(0, MOST).map((remedy) => (
        <li key={remedy.words} data-tried={tried === remedy ? '' : undefined}>
          <div className="way">
            <Swatch remedy={remedy} />
            <span className="words">{remedy.words}</span>
            <b>{figureWords(remedy.after)}</b>
          </div>
          <Effects remedy={remedy} />
          <div className="buttons">
            <Button
              variant="quiet"
              size="s"
              aria-pressed={tried === remedy}
              onClick={() => show(tried === remedy ? undefined : remedy)}
            >
              {tried === remedy ? 'Stop trying' : 'Try'}
            </Button>
            <Button
              size="s"
              onClick={() => {
                setTried(undefined);
                onApply(remedy.settings, remedy.words);
              }}
            >
              Use this
            </Button>
          </div>
        </li>
      ))}
    </ul>
  );
}

function Swatch({ remedy }: { remedy: Remedy }) {
  const colour = remedy.settings.find(({ property }) => /color$|^fill$/.test(property))?.value;
  return colour ? <i className="swatch" style={{ background: colour }} aria-hidden="true" /> : null;
}

const placeOf = ({ label, column }: { label: string; column: string }) =>
  `${label}, ${(columnNamed(column)?.label ?? column).toLowerCase()}`;

/** What else a remedy does, good and bad. */
function Effects({ remedy }: { remedy: Remedy }) {
  const { alters, breaks, mends } = remedy;
  const places = [...new Set(alters.map(placeOf))];
  // A check at three widths is one to whoever reads it.
  const [asked, advised] = [false, true].map((isAdvice) => [
    ...new Set(breaks.filter(({ criterion }) => (LEVELS[criterion] === 'advice') === isAdvice).map(placeOf)),
  ]);
  const mended = countChecks(mends);
  return (
    <div className="effects">
      {asked!.length ? (
        <span className="breaks">
          Makes {asked!.length === 1 ? 'one other check' : `${asked!.length} other checks`} fail:{' '}
          {asked!.slice(0, 3).join('; ')}.{' '}
        </span>
      ) : null}
      {advised!.length ? <span className="breaks">Against advice: {advised!.slice(0, 3).join('; ')}. </span> : null}
      {mended ? <span>Mends {mended === 1 ? 'one more' : `${mended} more`}. </span> : null}
      <details>
        <summary>Changes {places.length === 1 ? 'one place' : `${places.length} places`}</summary>
        <ul>
          {alters.slice(0, 24).map((item) => (
            <li key={`${placeOf(item)} ${item.property}`}>
              {placeOf(item)}: {item.property} <code>{item.before}</code> → <code>{item.after}</code>
            </li>
          ))}
          {alters.length > 24 ? <li>and {alters.length - 24} more</li> : null}
        </ul>
      </details>
    </div>
  );
}
