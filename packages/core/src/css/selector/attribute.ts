import type { ElementNode } from '../../tree/tree.js';

/** HTML attributes whose values match without regard to ASCII case (WHATWG HTML, section 4.16.2). */
const CASELESS = new Set(
  `accept accept-charset align alink axis bgcolor charset checked clear codetype color compact declare defer dir direction
   disabled enctype face frame hreflang http-equiv lang language link media method multiple nohref noresize noshade nowrap
   readonly rel rev rules scope scrolling selected shape target text type valign valuetype vlink`.split(/\s+/),
);

export interface AttributeTest {
  readonly name: string;
  readonly matcher: string | null;
  readonly value: string;
  readonly flag: string | null;
}

/** Attribute selectors of Selectors 4, section 6. */
export function matchesAttribute(element: ElementNode, test: AttributeTest): boolean {
  const actual = element.attributes.get(element.namespace === 'html' ? test.name.toLowerCase() : test.name);
  if (actual === undefined) return false;
  if (test.matcher === null) return true;
  const flag = test.flag?.toLowerCase();
  const caseless =
    flag === 'i' || (flag !== 's' && element.namespace === 'html' && CASELESS.has(test.name.toLowerCase()));
  const a = caseless ? actual.toLowerCase() : actual;
  const b = caseless ? test.value.toLowerCase() : test.value;
  switch (test.matcher) {
    case '=':
      return a === b;
    case '~=':
      return b !== '' && !/\s/.test(b) && a.split(/[\t\n\f\r ]+/).includes(b);
    case '|=':
      return a === b || a.startsWith(`${b}-`);
    case '^=':
      return b !== '' && a.startsWith(b);
    case '$=':
      return b !== '' && a.endsWith(b);
    case '*=':
      return b !== '' && a.includes(b);
    default:
      return false;
  }
}
