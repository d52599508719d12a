import { byComma, isTime, isWord, nodesOf, textOfNode } from './split.js';
import type { Shorthand } from './shorthand.js';

const EASINGS = ['linear', 'ease', 'ease-in', 'ease-out', 'ease-in-out', 'step-start', 'step-end'];
const EASING_FUNCTION = /^(cubic-bezier|steps|linear)$/i;

/** CSS Transitions 2, section 2.6: of two times the first is the duration. */
export const TRANSITION: Shorthand = {
  name: 'transition',
  longhands: [
    'transition-property',
    'transition-duration',
    'transition-timing-function',
    'transition-delay',
    'transition-behavior',
  ],
  expand: (value) => {
    const items = byComma(nodesOf(value)).map((nodes) => {
      const item = {
        property: 'all',
        times: [] as string[],
        easing: 'ease',
        behaviour: 'normal',
        valid: nodes.length > 0,
      };
      let named = false;
      for (const node of nodes) {
        const text = textOfNode(node);
        if (isTime(node)) item.times.push(text);
        else if (isWord(node, ...EASINGS) || (node.type === 'Function' && EASING_FUNCTION.test(node.name)))
          item.easing = text;
        else if (isWord(node, 'allow-discrete', 'normal')) item.behaviour = text;
        else if (node.type === 'Identifier' && !named) {
          item.property = text;
          named = true;
        } else item.valid = false;
      }
      return item;
    });
    const none = items.some((item) => item.property.toLowerCase() === 'none');
    if (items.some((item) => !item.valid || item.times.length > 2) || (none && items.length > 1)) return undefined;
    const list = (pick: (item: (typeof items)[number]) => string) => items.map(pick).join(', ');
    return {
      'transition-property': list((item) => item.property),
      'transition-duration': list((item) => item.times[0] ?? '0s'),
      'transition-timing-function': list((item) => item.easing),
      'transition-delay': list((item) => item.times[1] ?? '0s'),
      'transition-behavior': list((item) => item.behaviour),
    };
  },
};
