import { columnNamed, type Look, type Setting, type Solution, type SolveScope, type ViewportName } from '@retoque/core';
import { useEffect, useState } from 'react';
import { engine } from '../engine/engine';
import type { ComponentRef, LedgerQuery } from '../engine/protocol';
import { Notice } from '../shell/Notice';
import { Button } from '../theme/Button';
import { countChecks } from './merge';
import { usePrepared } from './usePrepared';
import type { RemedyActions } from './WaysOut';

/** One action for many checks: asked for, looked at on the page, then used as one step or put away. */
export function Solving({
  component,
  look,
  query,
  at,
  scopes,
  labels,
  waiting,
  onTry,
  onApply,
  onAcross,
}: {
  component: ComponentRef;
  look: Look;
  query: LedgerQuery;
  at: ViewportName;
  /** What parts are called. */
  labels: ReadonlyMap<string, string>;
  /** True while the figures are not settled, since the page is being measured. */
  waiting: boolean;
  /** What can be solved, with the words on its button. */
  scopes: readonly { readonly scope: SolveScope; readonly words: string; readonly title: string }[];
  onAcross: (colour: string) => void;
} & RemedyActions) {
  const [busy, setBusy] = useState<string>();
  const [found, setFound] = useState<{ words: string; look: Look; solution: Solution }>();
  const [problem, setProblem] = useState<string>();
  // A solution is one of the look that it was found for.
  const shown = found?.look === look ? found : undefined;
  useEffect(() => () => onTry(undefined), [onTry]);
  const hasAll = scopes.some(({ scope }) => scope.of === 'component');
  const prepared = usePrepared(component, look, query, at, hasAll && !waiting && !shown);
  const ask = async (scope: SolveScope, words: string) => {
    setBusy(words);
    setProblem(undefined);
    try {
      const ready = scope.of === 'component' ? prepared : undefined;
      const solution = ready ?? (await engine().solve(component, look, query, scope, at));
      setFound({ words, look, solution });
      onTry(solution.settings.length ? solution.settings : undefined);
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(undefined);
    }
  };
  const mended = shown ? countChecks(shown.solution.mended) : 0;
  // What is changed in one state of a part is one change to who reads it, such as a ring.
  const changes = byPlace(shown?.solution.settings ?? []);
  const putAway = () => {
    setFound(undefined);
    onTry(undefined);
  };
  return (
    <div className="solving">
      <div className="scopes" role="group" aria-label="Solve together">
        {scopes.map(({ scope, words, title }) => (
          <Button
            key={words}
            size="s"
            variant={scope.of === 'component' ? 'solid' : 'outline'}
            disabled={waiting || busy !== undefined}
            title={waiting ? 'As soon as the page is measured at every width' : title}
            onClick={() => void ask(scope, words)}
          >
            {busy === words ? 'Looking for the smallest change…' : words}
          </Button>
        ))}
        {scopes.map(({ scope }) =>
          scope.of === 'colour' ? (
            <Button
              key={`across ${scope.colour}`}
              size="s"
              disabled={waiting || busy !== undefined}
              title="One other colour in every component of the site that has this one"
              onClick={() => onAcross(scope.colour)}
            >
              {scope.colour} across the site
            </Button>
          ) : null,
        )}
      </div>
      {problem ? <Notice tone="short">{problem}</Notice> : null}
      {shown ? (
        <div className="solution" role="region" aria-label="Found">
          <p>
            <b>
              {mended
                ? `${mended} ${mended === 1 ? 'check passes' : 'checks pass'} with ${
                    changes.length === 1 ? 'one change' : `${changes.length} changes`
                  }.`
                : 'Nothing was found that helps.'}
            </b>{' '}
            {mended ? 'The pictures show it already.' : ''}
          </p>
          {shown.solution.settings.length ? (
            <ul className="changes">
              {changes.map(({ key, part, state, settings }) => (
                <li key={key}>
                  <b>{labels.get(part) ?? part}</b> {state}:{' '}
                  {settings.map(({ property, value }) => (
                    <span key={property} className="change">
                      {/color$|^fill$/.test(property) ? (
                        <i className="swatch" style={{ background: value }} aria-hidden="true" />
                      ) : null}
                      {property} <code>{value}</code>
                    </span>
                  ))}
                </li>
              ))}
            </ul>
          ) : null}
          {shown.solution.unmet.length ? (
            <div className="unmet">
              <p>What no change mends:</p>
              <ul>
                {distinct(shown.solution, labels).map(({ place, why }) => (
                  <li key={place + why}>
                    <b>{place}.</b> {why}
                  </li>
                ))}
              </ul>
            </div>
          ) : null}
          <div className="buttons">
            <Button
              size="s"
              disabled={!shown.solution.settings.length}
              variant="solid"
              onClick={() => {
                onApply(shown.solution.settings, shown.words);
                setFound(undefined);
              }}
            >
              Use all of it
            </Button>
            <Button variant="quiet" size="s" onClick={putAway}>
              Close
            </Button>
          </div>
        </div>
      ) : null}
    </div>
  );
}

/** One line for each place and reason, whatever the width. */
function distinct({ unmet }: Solution, labels: ReadonlyMap<string, string>): { place: string; why: string }[] {
  const lines = new Map<string, { place: string; why: string }>();
  for (const { check, why } of unmet) {
    const state = (columnNamed(check.column)?.label ?? check.column).toLowerCase();
    const place = `${labels.get(check.part) ?? check.part}, ${state}: ${check.label.toLowerCase()}`;
    lines.set(place + why, { place, why });
  }
  return [...lines.values()].slice(0, 8);
}

/** Settings of one part in one state, together. */
function byPlace(settings: readonly Setting[]) {
  const places = new Map<string, { key: string; part: string; state: string; settings: Setting[] }>();
  for (const setting of settings) {
    const states = setting.when.states.map(({ state }) => state).filter((state) => state !== 'focus');
    const state = states.map((name) => (name === 'focus-visible' ? 'focus' : name)).join(' + ') || 'default';
    const width = setting.when.viewport ? `, ${setting.when.viewport}` : '';
    const key = `${setting.part} ${state}${width}`;
    const place = places.get(key) ?? { key, part: setting.part, state: state + width, settings: [] };
    place.settings.push(setting);
    places.set(key, place);
  }
  return [...places.values()];
}
