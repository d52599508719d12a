import { generate, type Atrule } from 'css-tree';
import { listOf } from './preludes.js';
import type { Keyframe, Keyframes } from './sheet.js';

function offsetOf(text: string): number | undefined {
  const word = text.trim().toLowerCase();
  if (word === 'from') return 0;
  if (word === 'to') return 1;
  const share = /^([\d.]+)%$/.exec(word)?.[1];
  const value = share === undefined ? NaN : Number(share) / 100;
  return value >= 0 && value <= 1 ? value : undefined;
}

/** Reads an @keyframes rule; undefined where it has no name. */
export function readKeyframes(node: Atrule): Keyframes | undefined {
  const name = node.prelude
    ? generate(node.prelude)
        .trim()
        .replace(/^(["'])(.*)\1$/s, '$2')
    : '';
  if (!name) return undefined;
  const frames = listOf(node.block).flatMap((rule): Keyframe[] => {
    if (rule.type !== 'Rule') return [];
    const values = new Map(
      listOf(rule.block).flatMap((item) =>
        item.type === 'Declaration' && !item.important
          ? [[item.property.toLowerCase(), generate(item.value).trim()] as const]
          : [],
      ),
    );
    return generate(rule.prelude)
      .split(',')
      .flatMap((text) => {
        const offset = offsetOf(text);
        return offset === undefined ? [] : [{ offset, values }];
      });
  });
  return { name, frames };
}
