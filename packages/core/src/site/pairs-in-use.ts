import type { Steps } from '../base/steps.js';
import { toHex } from '../colour/print.js';
import { readState } from '../css/selector/named-states.js';
import { pageLedger } from '../report/page-ledger.js';
import type { SiteUnder } from './site.js';

/** A colour of text that stands on a plain colour somewhere on a site. */
export interface PairInUse {
  /** As hex. */
  readonly text: string;
  readonly ground: string;
  /** Texts that have it, each in each state once. */
  readonly count: number;
  /** Names of the pages, and the first words of some of the texts. */
  readonly pages: readonly string[];
  readonly words: readonly string[];
}

const STATES = ['default', 'hover', 'focus'].map(readState);
const MOST_WORDS = 4;

/** The pairs of text and ground of a site as it is worn, at rest, in hover and in focus; each step is a page. */
export function* findingPairs(site: SiteUnder): Steps<PairInUse[]> {
  const found = new Map<
    string,
    { text: string; ground: string; count: number; pages: Set<string>; words: Set<string> }
  >();
  for (const [done, { version, name }] of site.pages.entries()) {
    for (const { check, text: words } of pageLedger(site.on(version).seen, { states: STATES })) {
      if (!check.foreground || !check.background) continue;
      const [text, ground] = [toHex(check.foreground), toHex(check.background)];
      const key = `${text} ${ground}`;
      const own = found.get(key) ?? { text, ground, count: 0, pages: new Set<string>(), words: new Set<string>() };
      own.count++;
      own.pages.add(name);
      if (own.words.size < MOST_WORDS && words) own.words.add(words.slice(0, 40));
      found.set(key, own);
    }
    yield { done: done + 1, of: site.pages.length };
  }
  return [...found.values()].map(({ pages, words, ...own }) => ({ ...own, pages: [...pages], words: [...words] }));
}
