import { once } from '../memo/once.js';
import type { Demand, Kind, Part } from './kind.js';
import { BOX_ROWS } from './rows.js';
import { POINTED } from './states.js';

/** What an owner may call a part: letters, digits, spaces and hyphens, as nothing else tells parts apart. */
export const isPartName = (name: string): boolean => /^[\p{L}\p{N}][\p{L}\p{N} -]{0,39}$/u.test(name);

/** What an owner says of the parts of a component, by the parts' names. */
export interface OwnParts {
  /** Selectors given for parts; a name that the kind does not know is a part of the owner's own. */
  readonly parts?: Readonly<Record<string, string>> | undefined;
  /** What parts are called. */
  readonly names?: Readonly<Record<string, string>> | undefined;
  /** Which part an own one was split from: it has the same states and rows, and is asked the same. */
  readonly splitFrom?: Readonly<Record<string, string>> | undefined;
}

/** What is said of a component's parts, wherever it stands. */
export const ownPartsOf = ({ parts, names, splitFrom }: OwnParts): OwnParts => ({ parts, names, splitFrom });

const ownPart = (name: string): Part => ({
  name,
  label: name,
  find: [],
  states: POINTED,
  first: ['text', 'font-size', 'font-weight', 'text-shadow', ...BOX_ROWS, 'opacity', 'transition-duration'],
});

function splitPart(name: string, { holds: _found, ...from }: Part): Part {
  // What carries its own state goes on to do so.
  const carrier = from.carrier === from.name ? name : from.carrier;
  return { ...from, name, label: name, find: [], ...(carrier === undefined ? {} : { carrier }) };
}

const sameDemand = (name: string, demand: Demand): Demand => ({
  ...demand,
  part: name,
  name: `${name}-${demand.name}`,
});

/** Names of the parts that an owner added to those of a kind. */
export const ownPartNames = (kind: Kind, given: Readonly<Record<string, string>> = {}): string[] =>
  Object.keys(given).filter((name) => isPartName(name) && !kind.parts.some((part) => part.name === name));

type Pairs = readonly (readonly [string, string])[];

const extended = once((kind: Kind) => {
  const known = new Map<string, Kind>();
  return (added: Pairs, names: Pairs): Kind => {
    const key = JSON.stringify([added, names]);
    const had = known.get(key);
    if (had) return had;
    const called = new Map(names);
    const own = added.map(([name, from]) => {
      const part = kind.parts.find((item) => item.name === from);
      return part ? splitPart(name, part) : ownPart(name);
    });
    const made: Kind = {
      ...kind,
      parts: [...kind.parts, ...own].map((part) => {
        const label = called.get(part.name);
        return label === undefined ? part : { ...part, label, usual: part.label };
      }),
      demands: [
        ...kind.demands,
        ...added.flatMap(([name, from]) =>
          kind.demands.filter(({ part }) => part === from).map((demand) => sameDemand(name, demand)),
        ),
      ],
    };
    known.set(key, made);
    return made;
  };
});

/** A kind with the parts that an owner added to it, called as the owner calls them; the kind itself where nothing is said. */
export function withOwnParts(kind: Kind, { parts, names = {}, splitFrom = {} }: OwnParts): Kind {
  const added = ownPartNames(kind, parts).map((name) => [name, splitFrom[name] ?? ''] as const);
  const called = Object.entries(names).filter(([, label]) => isPartName(label));
  return added.length || called.length ? extended(kind)(added, called) : kind;
}
