import fc from 'fast-check';
import { columnNamed } from '../component/states.js';
import { changeLook, EMPTY_LOOK, statesOf, type Exception, type Look, type Setting } from '../look/model.js';
import type { ComponentSession } from '../session/component-session.js';
import type { SheetPart } from '../sheet/state-sheet.js';

/** Properties with some of their values, inherited and not, colours and lengths. */
const VALUES: Readonly<Record<string, readonly string[]>> = {
  color: ['rgb(1, 2, 3)', '#abc', 'currentcolor', 'inherit'],
  'background-color': ['rgb(9, 8, 7)', 'transparent', 'initial', 'rgb(0 0 0 / 20%)'],
  'padding-left': ['1px', '1em', '0'],
  'font-size': ['17px', '1.5em'],
  opacity: ['.5', '1'],
  'text-decoration-line': ['none', 'underline'],
};

/** A look for the parts of a component as they were found, with every sort of condition. */
export function looksFor(bench: ComponentSession, parts: readonly SheetPart[], pageId: string): fc.Arbitrary<Look> {
  const exceptions: Exception[] = parts.flatMap((part): Exception[] => {
    const members = bench.members(part.name);
    return members.length < 2
      ? []
      : [{ id: `x-${part.name}`, name: 'One', part: part.name, members: [members[0]!.selector] }];
  });
  const setting = fc
    .record({
      part: fc.constantFrom(...parts),
      property: fc.constantFrom(...Object.keys(VALUES)),
      which: fc.nat(),
      value: fc.nat(),
      page: fc.boolean(),
      viewport: fc.option(fc.constantFrom('medium' as const, 'narrow' as const), { nil: undefined }),
      scheme: fc.option(fc.constant('dark' as const), { nil: undefined }),
      motion: fc.option(fc.constant('reduced' as const), { nil: undefined, freq: 3 }),
      excepted: fc.boolean(),
    })
    .map(({ part, property, which, value, page, viewport, scheme, motion, excepted }): Setting => {
      const column = columnNamed(part.columns[which % part.columns.length]!)!;
      const values = VALUES[property]!;
      const exception = excepted ? exceptions.find((item) => item.part === part.name)?.id : undefined;
      return {
        part: part.name,
        property,
        value: values[value % values.length]!,
        ...(exception === undefined ? {} : { exception }),
        when: {
          states: statesOf(part.carrier, column.atoms),
          ...(page ? { page: pageId } : {}),
          ...(viewport ? { viewport } : {}),
          ...(scheme ? { scheme } : {}),
          ...(motion ? { motion } : {}),
        },
      };
    });
  return fc.array(setting, { minLength: 1, maxLength: 10 }).map((settings) => ({
    ...changeLook(EMPTY_LOOK, settings),
    exceptions,
  }));
}
