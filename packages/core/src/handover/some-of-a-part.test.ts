import { describe, expect, it } from '@jest/globals';
import { bitsOf, closeBits, type Atom } from '../css/selector/states.js';
import { DESKTOP } from '../css/conditions/environment.js';
import { Forcer } from '../component/subject.js';
import { locatorFor, selectAll } from '../css/selector/locator.js';
import { ComponentSession } from '../session/component-session.js';
import { lookOf, settingOf } from '../testing/settings.js';
import { pageOf } from '../testing/page.js';
import { asLastSheet } from './proof.js';

// Some members of a part have something in a state of which no rule speaks for the others.
describe('what the site has in a state for some of a part', () => {
  const links = ['one', 'two']
    .map((name, i) => `<li${i ? '' : ' class="active"'}><a class="a" href="/${name}">${name}</a></li>`)
    .join('');
  const page = pageOf(
    `<div class="side"><div class="logo"><a class="b" href="/">Line</a></div><nav><ul class="nav">${links}</ul></nav></div>`,
    '.a { opacity: .7 } .a:hover { opacity: .8 } .active > .a { opacity: .9 } .side .logo .b.b { opacity: .5 }',
  );
  const [root] = selectAll(page.tree, '.side');
  const session = new ComponentSession(page, 'menu', locatorFor(root!, '.side'), { parts: { link: '.side a' } });
  const { css, proof } = session.handover(lookOf(settingOf('link', 'opacity', '.6')));
  const after = page.pages.extended([asLastSheet(css)]);
  const part = session.parts.find((own) => own.part.name === 'link')!;

  it.each([
    [[], '0.6', '0.6'],
    [['hover'], '0.8', '0.6'],
    [['current'], '0.9', '0.6'],
  ] as const)('in %j is theirs alone', (atoms, forA, forB) => {
    expect(proof.failures).toEqual([]);
    expect(part.subjects).toHaveLength(3);
    for (const subject of part.subjects) {
      const { style } = new Forcer().see(after, DESKTOP, subject, closeBits(bitsOf(atoms as readonly Atom[])));
      expect([subject.element.classes[0], style.text('opacity')]).toEqual(
        subject.element.classes[0] === 'a' ? ['a', forA] : ['b', forB],
      );
    }
  });
});
