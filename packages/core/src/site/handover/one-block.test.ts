import { describe, expect, test } from '@jest/globals';
import { parseHtml } from '../../tree/parse-html.js';
import { oneBlock, scriptTag } from './one-block.js';

describe('one block of HTML', () => {
  test('holds the component, its CSS and its script, and nothing ends before its time', () => {
    const block = oneBlock(
      '<p class="a">Hello</p>',
      '.a::after { content: "</style><b>" }',
      'const text = "</script><b>";',
    );
    const { elements } = parseHtml(block);
    expect(elements.map(({ name }) => name).filter((name) => !/^(html|head|body)$/.test(name))).toEqual([
      'p',
      'style',
      'script',
    ]);
  });

  test('what is empty is left out', () => {
    expect(oneBlock('<p>a</p>', '', '')).toBe('<p>a</p>\n');
  });

  test('the script is loaded as a module, before the page is painted', () => {
    expect(scriptTag('/a.js')).toBe('<script type="module" async blocking="render" src="/a.js"></script>');
  });
});
