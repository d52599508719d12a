import { describe, expect, it } from '@jest/globals';
import { longChainSpans, MAX_CHAIN } from './var-chains.js';

const chain = (length: number) =>
  `.a{--v0:red;${Array.from({ length }, (_, i) => `--v${i + 1}:var(--v${i})`).join(';')}}`;

describe('chains of custom properties', () => {
  it('are cut where they are too long, and only there', () => {
    expect(longChainSpans(chain(MAX_CHAIN))).toEqual([]);
    const css = chain(MAX_CHAIN + 2);
    const cut = longChainSpans(css).map(([start, end]) => css.slice(start, end));
    expect(cut).toEqual([`--v${MAX_CHAIN + 1}:var(--v${MAX_CHAIN})`, `--v${MAX_CHAIN + 2}:var(--v${MAX_CHAIN + 1})`]);
  });

  it('may be many, and may lead back to where they began', () => {
    const many = Array.from({ length: 2000 }, (_, i) => `--a${i}:var(--base)`).join(';');
    expect(longChainSpans(`.a{--base:red;${many}}`)).toEqual([]);
    const round = Array.from({ length: 200 }, (_, i) => `--a${i}:var(--a${(i + 1) % 200}) var(--b)`).join(';');
    expect(longChainSpans(`.a{${round}}`)).toEqual([]);
  });
});
