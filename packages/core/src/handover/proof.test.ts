import { describe, expect, it } from '@jest/globals';
import { ROWS } from '../component/rows.js';
import { isValidValue, parseValue } from '../css/sheet/declaration.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { changeLook, EMPTY_LOOK } from '../look/model.js';
import { ComponentSession } from '../session/component-session.js';
import { pageOf } from '../testing/page.js';
import { prove } from './proof.js';

const page = pageOf(
  '<main><p><a class="btn" href="#">Go</a></p></main>',
  '.btn { color: #fff; background: #046; font-size: 14px; border: 1px solid red }',
);
const session = new ComponentSession(page, 'button', locatorFor(selectAll(page.tree, '.btn')[0]!, '.btn'));
const lookOf = (property: string, value: string) =>
  changeLook(EMPTY_LOOK, [{ part: 'button', property, value, when: { states: [] } }]);

/** Values that the button does not have by itself, one of which is good for each property. */
const OTHERS = [
  ...['90%', 'rgb(1, 2, 3)', '7px', 'inherit', 'none', 'dotted', 'block', '0.3', '0.3s', 'fixed', 'pointer', '300'],
  ...['"wght" 300', 'italic', 'uppercase', 'right', 'preserve', 'nowrap', '"x"', 'linear-gradient(red, blue)', '3'],
  ...['no-repeat', 'content-box', 'border-box', 'multiply', '0 0 2px red', 'hidden', 'center', 'blur(2px)', '45deg'],
  ...['rotate(4deg)', 'steps(3)', 'beat', 'reverse', 'forwards', 'paused'],
];

describe('a proof', () => {
  const properties = [...new Set(ROWS.flatMap((row) => row.properties))];

  it.each(properties)('of %s fails where the CSS is missing, and holds where it is there', (property) => {
    let failing = 0;
    for (const value of OTHERS.filter((text) => isValidValue(property, parseValue(text)!))) {
      const look = lookOf(property, value);
      const inputs = session.rulesOf.provable(look);
      const { css, proof } = session.handover(look);
      expect(proof.failures).toHaveLength(0);
      expect(css).toContain(`${property}: ${value}`);
      failing += prove(inputs, '', page.pages).failures.length;
    }
    expect(failing).toBeGreaterThan(0);
  });

  it('of a value that reverts fails where something else wins', () => {
    const look = lookOf('color', 'revert');
    const inputs = session.rulesOf.provable(look);
    const { proof } = session.handover(look);
    expect(proof.failures.map(({ wanted, got }) => [wanted, got])).toEqual([]);
    expect(prove(inputs, '', page.pages).failures.length).toBeGreaterThan(0);
  });
});
