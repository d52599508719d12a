import {
  columnNamed,
  shortColours,
  toHex,
  type EditingPlace,
  type LedgerCheck,
  type Look,
  type SheetPart,
  type SolveScope,
  type ViewportName,
} from '@retoque/core';
import { useMemo, useState } from 'react';
import type { ComponentRef } from '../engine/protocol';
import type { Measuring } from '../measuring/useMeasuring';
import { Segments } from '../shell/Segments';
import { Wedge } from '../shell/Wedge';
import { ALL, FIRST_FILTER, inOrder, matches, mergeChecks, type LedgerFilter, type LedgerLine } from './merge';
import { useLedger, useLedgerQuery } from './queries';
import { Solving } from './Solving';
import WaysOut, { type RemedyActions } from './WaysOut';
import { CRITERIA, criterionWords, figureWords, neededWords, VERDICTS, widthWords } from './words';

const MOST_LINES = 120;

/** Every check of the component, in all its states and at every width, with suggested fixes of what falls short. */
export default function Ledger({
  component,
  look,
  place,
  added,
  measured,
  measuring,
  viewport,
  parts,
  onGo,
  onTry,
  onApply,
  onAcross,
}: {
  component: ComponentRef;
  look: Look;
  place: EditingPlace;
  added: readonly string[];
  measured: number;
  measuring: Pick<Measuring, 'busy' | 'failure' | 'retry'>;
  viewport: ViewportName;
  parts: readonly SheetPart[];
  /** Takes a part and a state in hand. */
  onGo: (part: string, column: string, viewport: string) => void;
  /** Looks for another colour in place of one wherever the site has it. */
  onAcross: (colour: string) => void;
} & RemedyActions) {
  const query = useLedgerQuery(place, added, measured);
  const answer = useLedger(component, look, query);
  const [filter, setFilter] = useState<LedgerFilter>(FIRST_FILTER);
  const [open, setOpen] = useState<string>();
  const checks = useMemo(() => answer.data ?? [], [answer.data]);
  const lines = useMemo(() => inOrder(mergeChecks(checks.filter((check) => matches(check, filter)))), [checks, filter]);
  const count = (verdict: LedgerFilter['verdict']) =>
    mergeChecks(checks.filter((check) => matches(check, filter, verdict))).length;
  const set = (part: Partial<LedgerFilter>) => setFilter((now) => ({ ...now, ...part }));
  const labels = useMemo(() => new Map(parts.map(({ name, label }) => [name, label])), [parts]);
  const labelOf = (name: string) => labels.get(name) ?? name;
  const current = lines.find(({ key }) => key === open);
  const scopes = useMemo(() => scopesOf(checks, current?.check, labels), [checks, current, labels]);
  if (!answer.data) return <p className="ledger-empty">{answer.error?.message ?? 'Working out every check…'}</p>;
  return (
    <div className="ledger" aria-busy={answer.isFetching}>
      <div className="filters">
        <Segments
          label="Result"
          value={filter.verdict}
          choices={[
            ...(['short', 'unsure', 'passes', 'unseen', 'exempt'] as const).map((verdict) => ({
              value: verdict,
              label: `${VERDICTS[verdict]} ${count(verdict)}`,
            })),
            { value: 'all', label: 'All' },
          ]}
          onChange={(verdict) => set({ verdict })}
        />
        <Segments
          label="Level"
          value={filter.level}
          choices={[
            { value: 'standard', label: 'WCAG AA', hint: 'WCAG 2.2, levels A and AA' },
            { value: 'enhanced', label: 'AAA', hint: 'WCAG 2.2, level AAA' },
            { value: 'advice', label: 'Advice', hint: 'Good practice, which the standard does not ask' },
            { value: 'all', label: 'All' },
          ]}
          onChange={(level) => set({ level, criterion: ALL })}
        />
        <Choice
          label="State"
          value={filter.column}
          options={distinct(checks.map(({ column }) => column)).map((name) => [name, columnNamed(name)?.label ?? name])}
          onChange={(column) => set({ column })}
        />
        <Choice
          label="Width"
          value={filter.viewport}
          options={distinct(checks.map((check) => check.viewport)).map((name) => [name, name])}
          onChange={(value) => set({ viewport: value })}
        />
        <Choice
          label="Criterion"
          value={filter.criterion}
          options={distinct(checks.map(({ criterion }) => criterion)).map((name) => [
            name,
            /\d/.test(name) ? `${name} ${CRITERIA[name]}` : CRITERIA[name],
          ])}
          onChange={(criterion) => set({ criterion, level: criterion === ALL ? filter.level : 'all' })}
        />
        {measuring.busy ? (
          <span className="quiet" role="status">
            Measuring the page…
          </span>
        ) : null}
        {measuring.failure === undefined ? null : (
          <span className="quiet" role="alert">
            The page could not be laid out: {measuring.failure} What depends on it is not measured.{' '}
            <button type="button" className="small-button" onClick={measuring.retry}>
              Try again
            </button>
          </span>
        )}
      </div>
      {scopes.length ? (
        <Solving
          component={component}
          look={look}
          query={query}
          at={viewport}
          scopes={scopes}
          labels={labels}
          waiting={measuring.busy}
          onTry={onTry}
          onApply={onApply}
          onAcross={onAcross}
        />
      ) : null}
      {lines.length ? (
        <ol className="lines" aria-label="Checks">
          {lines.slice(0, MOST_LINES).map((line) => (
            <Line
              key={line.key}
              line={line}
              part={labelOf(line.check.part)}
              open={line.key === open}
              onOpen={() => {
                setOpen(line.key === open ? undefined : line.key);
                onGo(line.check.part, line.check.column, line.viewports[0]!);
              }}
            >
              {line.key === open && line.check.verdict === 'short' ? (
                <WaysOut
                  component={component}
                  look={look}
                  query={query}
                  check={line.check}
                  at={line.viewports[0] as ViewportName}
                  onTry={onTry}
                  onApply={onApply}
                />
              ) : null}
            </Line>
          ))}
          {lines.length > MOST_LINES ? (
            <li className="more">and {lines.length - MOST_LINES} more; choose a state, a width or a criterion.</li>
          ) : null}
        </ol>
      ) : (
        <p className="ledger-empty">{filter.verdict === 'short' ? 'Nothing fails here.' : 'There is no such check.'}</p>
      )}
    </div>
  );
}

const distinct = <T extends string>(names: readonly T[]): T[] => [...new Set(names)];

function scopesOf(
  checks: readonly LedgerCheck[],
  current: LedgerCheck | undefined,
  labels: ReadonlyMap<string, string>,
): { scope: SolveScope; words: string; title: string }[] {
  const due = checks.filter((check) => matches(check, { ...FIRST_FILTER }));
  if (!due.length) return [];
  const part = current?.part ?? due[0]!.part;
  const used = current?.foreground ? [toHex(current.foreground), current.background && toHex(current.background)] : [];
  const colour = used.find((hex) => hex && shortColours(due).includes(hex)) ?? shortColours(due)[0];
  return [
    {
      scope: { of: 'component' },
      words: 'Make all of it pass',
      title: 'The smallest changes with which every state of every part passes',
    },
    {
      scope: { of: 'part', part },
      words: `${labels.get(part) ?? part} in all states`,
      title: 'Every state of this part alone',
    },
    ...(colour
      ? [
          {
            scope: { of: 'colour' as const, colour },
            words: `${colour} in this component`,
            title: 'One other colour in every place of the component that has this one',
          },
        ]
      : []),
  ];
}

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: readonly (readonly [value: string, label: string])[];
  onChange: (value: string) => void;
}) {
  return (
    <label className="choice">
      <span>{label}</span>
      <select value={value} onChange={(event) => onChange(event.target.value)}>
        <option value={ALL}>any</option>
        {options.map(([name, words]) => (
          <option key={name} value={name}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

const MARKS = { unsure: '?', passes: '✓', unseen: '○', exempt: '–' } as const;

function Line({
  line,
  part,
  open,
  onOpen,
  children,
}: {
  line: LedgerLine;
  part: string;
  open: boolean;
  onOpen: () => void;
  children: React.ReactNode;
}) {
  const { check, viewports } = line;
  return (
    <li className="line" data-verdict={check.verdict} data-open={open ? '' : undefined}>
      <button type="button" aria-expanded={open} onClick={onOpen}>
        <span className="mark">
          {check.verdict === 'short' ? <Wedge /> : <i aria-hidden="true">{MARKS[check.verdict]}</i>}
        </span>
        <span className="what">
          <b>{part}</b> {columnNamed(check.column)?.label.toLowerCase() ?? check.column}
          <small>{check.label}</small>
        </span>
        <span className="figures">
          <b>{figureWords(check)}</b>
          {neededWords(check) ? <small>needs {neededWords(check)}</small> : null}
        </span>
        <span className="where">
          {widthWords(viewports)}
          <small>{criterionWords(check.criterion)}</small>
        </span>
        <span className="why">{check.reason ?? (check.worstText ? `“${check.worstText}”` : '')}</span>
      </button>
      {open ? (
        <div className="detail">
          <Facts check={check} />
          {children}
        </div>
      ) : null}
    </li>
  );
}

/** What was measured, on what, and where it is worst. */
function Facts({ check }: { check: LedgerCheck }) {
  const { foreground, background, at, share, basis, criterion } = check;
  return (
    <p className="facts">
      <span>{CRITERIA[criterion]}.</span>
      {foreground && background ? (
        <span className="pair">
          <i className="swatch" style={{ background: toHex(foreground) }} aria-hidden="true" />
          <code>{toHex(foreground)}</code> on
          <i className="swatch" style={{ background: toHex(background) }} aria-hidden="true" />
          <code>{toHex(background)}</code>
        </span>
      ) : null}
      {share !== undefined ? <span>{sharesWords(share)}</span> : null}
      {at ? (
        <span>
          Worst at {Math.round(at.x)}, {Math.round(at.y)}.
        </span>
      ) : null}
      {check.withoutPictures ? <span>As if the picture had not loaded.</span> : null}
      <span>
        {basis === 'geometry' ? 'Measured where things stand on the page.' : 'Estimated: the page was not measured.'}
      </span>
      {check.worstText ? <span>“{check.worstText}”</span> : null}
    </p>
  );
}

const sharesWords = (share: number): string =>
  share <= 0
    ? 'No place fails.'
    : share < 0.001
      ? 'Less than 0.1 % of the area fails.'
      : `${(share * 100).toFixed(1)} % of the area fails.`;
