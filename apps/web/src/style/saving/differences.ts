import {
  bitsOfWhen,
  columnFor,
  partNamed,
  ROWS,
  settingKey,
  type Difference,
  type Kind,
  type Look,
  type LookItem,
  type Setting,
} from '@retoque/core';

/** What differs in one cell, or one other thing, of two looks; in words. */
export interface DifferenceLine {
  /** The differences that it stands for: those of a row are chosen together. */
  readonly keys: readonly string[];
  readonly where: string;
  readonly mine: string;
  readonly theirs: string;
}

const UNSET = 'not set';

interface Place {
  readonly key: string;
  readonly where: string;
}

function placeOf(
  setting: Pick<Setting, 'part' | 'property' | 'exception' | 'when'>,
  kind: Kind,
  looks: readonly Look[],
): Place {
  const { part, property, exception, when } = setting;
  const row = ROWS.find(({ properties }) => properties.includes(property));
  const column = columnFor(bitsOfWhen(when));
  const name = looks.flatMap((look) => look.exceptions).find(({ id }) => id === exception)?.name;
  const where = [
    partNamed(kind, part)?.label ?? part,
    (row?.label ?? property).toLowerCase(),
    column.label.toLowerCase(),
    ...(when.viewport ? [`${when.viewport} screens`] : []),
    ...(when.page ? ['one page'] : []),
    ...(when.scheme ? ['dark'] : []),
    ...(when.motion ? ['less motion'] : []),
    ...(exception === undefined ? [] : [`only ${name ?? 'an exception'}`]),
  ].join(', ');
  const { viewport = '', page = '', scheme = '', motion = '' } = when;
  return {
    key: [part, row?.key ?? property, column.name, viewport, page, scheme, motion, exception ?? ''].join('|'),
    where,
  };
}

function wordsOf(item: LookItem | undefined): string {
  switch (item?.kind) {
    case undefined:
      return UNSET;
    case 'value':
      return item.setting.value;
    case 'off':
      return 'switched off';
    case 'exception':
      return `${item.exception.name} (${item.exception.members.length})`;
    case 'part':
      return item.selector;
    case 'name':
      return item.name;
    case 'finish':
      return 'a finish';
  }
}

/** Differences of two looks as lines to read, the longhands of a cell in one. */
export function differenceLines(
  differences: readonly Difference[],
  kind: Kind,
  looks: readonly Look[],
): readonly DifferenceLine[] {
  const groups = new Map<string, { where: string; found: Difference[] }>();
  for (const difference of differences) {
    const item = (difference.mine ?? difference.theirs)!;
    const place = ((): Place => {
      switch (item.kind) {
        case 'value':
          return placeOf(item.setting, kind, looks);
        case 'off': {
          const setting = looks
            .flatMap((look) => look.settings)
            .find((own) => difference.key === `off ${settingKey(own)}`);
          const at = setting && placeOf(setting, kind, looks);
          return at
            ? { key: `off ${at.key}`, where: `${at.where}, on or off` }
            : { key: difference.key, where: 'A value' };
        }
        case 'exception':
          return { key: difference.key, where: `Exception “${item.exception.name}”` };
        case 'part':
          return { key: difference.key, where: `What “${partNamed(kind, item.part)?.label ?? item.part}” is` };
        case 'name':
          return { key: difference.key, where: `What “${partNamed(kind, item.part)?.label ?? item.part}” is called` };
        case 'finish':
          return { key: difference.key, where: 'The finish' };
      }
    })();
    const group = groups.get(place.key) ?? { where: place.where, found: [] };
    group.found.push(difference);
    groups.set(place.key, group);
  }
  const join = (items: readonly (LookItem | undefined)[], isOff: boolean) =>
    [...new Set(items.map((item) => (isOff && !item ? 'on' : wordsOf(item))))].join(' ');
  return [...groups].map(([key, { where, found }]) => ({
    keys: found.map((difference) => difference.key),
    where,
    mine: join(
      found.map(({ mine }) => mine),
      key.startsWith('off '),
    ),
    theirs: join(
      found.map(({ theirs }) => theirs),
      key.startsWith('off '),
    ),
  }));
}
