import { describe, expect, it } from '@jest/globals';
import { DESKTOP } from '../css/conditions/environment.js';
import { demoPage, pageOf } from '../testing/page.js';
import { pageRemedies } from './page-remedies.js';

const viewports = [{ name: 'wide', environment: DESKTOP }];

describe('suggested fixes for a whole page', () => {
  it.each(['index.html', 'booking.html', 'timetable.html'])(
    'find at level AAA all that AA finds, and more (%s)',
    (name) => {
      const page = demoPage(name);
      const at = (level: 'AA' | 'AAA') =>
        pageRemedies(page, { viewports, level }).flatMap(({ selector, together: { mended, unmet } }) =>
          [...mended, ...unmet.map(({ check }) => check)].map(
            ({ part, column, demand }) => `${selector} ${part} ${column} ${demand}`,
          ),
        );
      const [usual, high] = [at('AA'), at('AAA')];
      expect(usual.filter((key) => !high.includes(key))).toEqual([]);
      expect(high.length).toBeGreaterThan(usual.length);
    },
  );

  it('mend a text to what the level asks', () => {
    // #767676 on white has 4.54, enough at AA and too little at AAA (WCAG 2.2, 1.4.3 and 1.4.6).
    const page = pageOf(
      '<p><a class="go" href="#">Timetable of the summer</a></p>',
      '.go { color: #767676; background: #fff; padding: 9px 20px; border-radius: 9px }',
    );
    expect(pageRemedies(page, { viewports, level: 'AA' }).flatMap(({ together }) => together.mended)).toEqual([]);
    const mended = pageRemedies(page, { viewports, level: 'AAA' }).flatMap(({ together }) => together.mended);
    expect(mended.map(({ criterion }) => criterion)).toContain('1.4.6');
  });
});
