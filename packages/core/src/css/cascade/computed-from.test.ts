import { describe, expect, it } from '@jest/globals';
import { pageOf } from '../../testing/page.js';
import { DESKTOP } from '../conditions/environment.js';
import { PROPERTIES } from '../property/table.js';
import { selectAll } from '../selector/locator.js';

const TEXTS = [
  ...['inherit', 'initial', 'unset', 'auto', 'none', 'normal', 'currentcolor', 'red', 'rgb(1 2 3 / 40%)', '0'],
  ...['3px', '1.5em', '2rem', '90%', '1.4', 'calc(1em + 2px)', 'larger', 'small', 'bold', 'lighter', '600', '.5'],
  ...['solid', 'block', 'flex', 'hidden', 'left', 'right', 'center', 'underline', 'uppercase', 'italic', 'dark'],
];

const BODY = `<div>${TEXTS.map((_, i) => `<p class="x${i}">Text</p>`).join('')}</div>`;

/** Paragraphs in which a property is declared in each of the ways. */
function stylesOf(property?: string) {
  const rules = property ? TEXTS.map((text, i) => `.x${i} { ${property}: ${text} }`).join('') : '';
  const page = pageOf(BODY, `div { font-size: 20px; color: #123; line-height: 3 } p { font-size: 11px } ${rules}`);
  const view = page.stylesFor(DESKTOP).at();
  return selectAll(page.tree, 'p').map((element) => view.of(element));
}

describe('what a declared text would compute to', () => {
  it('is what it computes to once it is declared, for every property', () => {
    const [bare] = stylesOf();
    let told = 0;
    const differing: string[] = [];
    for (const property of PROPERTIES.keys()) {
      stylesOf(property).forEach((declared, i) => {
        const text = TEXTS[i]!;
        if (declared.winner(property)?.declaration.value !== text) return;
        const [said, is] = [bare!.computedFrom(property, text), declared.text(property)];
        if (is !== bare!.text(property)) told++;
        if (said !== is) differing.push(`${property}: ${text} is ${is}, said to be ${said}`);
      });
    }
    expect(differing).toEqual([]);
    // Enough of them compute to something else than what stands there, for this to say anything.
    expect(told).toBeGreaterThan(200);
  });
});
