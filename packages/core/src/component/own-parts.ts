import { once } from '../memo/once.js';
import type { Kind, Part } from './kind.js';
import { BOX_ROWS } from './rows.js';
import { POINTED } from './states.js';

/** What an owner may call a part: letters, digits, spaces and hyphens, as nothing else tells parts apart. */
export const isPartName = (name: string): boolean => /^[\p{L}\p{N}][\p{L}\p{N} -]{0,39}$/u.test(name);

const ownPart = (name: string): Part => ({
  name,
  label: name,
  find: [],
  states: POINTED,
  first: ['text', 'font-size', 'font-weight', 'text-shadow', ...BOX_ROWS, 'opacity', 'transition-duration'],
});

/** Names of the parts that an owner added to those of a kind. */
export const ownPartNames = (kind: Kind, given: Readonly<Record<string, string>> = {}): string[] =>
  Object.keys(given).filter((name) => isPartName(name) && !kind.parts.some((part) => part.name === name));

const extended = once((kind: Kind) => {
  const byNames = new Map<string, Kind>();
  return (names: readonly string[]): Kind => {
    const key = names.join('|');
    let own = byNames.get(key);
    if (!own) byNames.set(key, (own = { ...kind, parts: [...kind.parts, ...names.map(ownPart)] }));
    return own;
  };
});

/** A kind with the parts that an owner added to it; the kind itself where there are none. */
export function withOwnParts(kind: Kind, given: Readonly<Record<string, string>> | undefined): Kind {
  const names = ownPartNames(kind, given);
  return names.length ? extended(kind)(names) : kind;
}
