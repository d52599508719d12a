import type { Row } from '../component/rows.js';

/** Values of longhands as they can be stored, or what is wrong with the text. */
export type ReadValue =
  | { readonly ok: true; readonly values: Readonly<Record<string, string>>; readonly text: string }
  | { readonly ok: false; readonly problem: string };

const UNITS = ['days', 'hours', 'minutes', 'seconds'];
const SPAN = /^(?:\d+(?:\.\d+)?\s*(?:d|h|min|m|s)\s*)+$/i;

/** Out of quotes, which stand around what is no word of CSS. */
export const plainSetting = (text: string): string => text.trim().replace(/^(["'])(.*)\1$/s, '$2');

const isZone = (name: string): boolean => {
  try {
    return Boolean(new Intl.DateTimeFormat('en', { timeZone: name }));
  } catch {
    return false;
  }
};

const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
const daysIn = (year: number, month: number): number =>
  month === 2 ? (isLeap(year) ? 29 : 28) : [4, 6, 9, 11].includes(month) ? 30 : 31;

/** A date of the calendar, with a time or without; undefined for what is none. */
function momentText(text: string): string | undefined {
  const read = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ]+(\d{1,2}):(\d\d)(?::\d\d)?)?$/.exec(text);
  if (!read) return undefined;
  const [year, month, day, hour = 0, minute = 0] = read.slice(1).map((part) => Number(part ?? 0));
  const isDay = month! >= 1 && month! <= 12 && day! >= 1 && day! <= daysIn(year!, month!);
  if (!isDay || hour > 23 || minute > 59) return undefined;
  const two = (number: number) => String(number).padStart(2, '0');
  const time = read[4] === undefined ? '' : ` ${two(hour)}:${two(minute)}`;
  return `${read[1]}-${two(month!)}-${two(day!)}${time}`;
}

function numberText({ amount, label }: Row, text: string): { readonly text: string } | { readonly problem: string } {
  const { unit, least = -Infinity, most = Infinity } = amount!;
  const read = /^([+-]?(?:\d+(?:\.\d+)?|\.\d+))(\D*)$/.exec(text);
  const given = read?.[2]?.trim().toLowerCase() ?? '';
  const isMillis = unit === 's' && given === 'ms';
  const isUnit = given === '' || given === unit || isMillis || (unit === 'px' && given === 'px/s');
  if (!read || !isUnit) {
    return { problem: `“${text}” is no ${label.toLowerCase()}. Give a number${unit ? ` and ${unit}` : ''}.` };
  }
  const number = Number(read[1]) / (isMillis ? 1000 : 1);
  if (number < least || number > most) {
    return { problem: `${label} is ${least}${unit} at least and ${most}${unit} at most.` };
  }
  return { text: `${number}${unit}` };
}

/** Reads what somebody typed for a setting of a behaviour; what is stored is what the script takes. */
export function readSetting(row: Row, typed: string): ReadValue {
  const text = plainSetting(typed);
  const wrong = (problem: string): ReadValue => ({ ok: false, problem });
  const right = (value: string): ReadValue => ({ ok: true, values: { [row.key]: value }, text: value });
  if (/["'\\{};]/.test(text)) return wrong('This takes no quotes, braces, semicolons and backslashes.');
  switch (row.editor) {
    case 'choice': {
      const word = text.toLowerCase().replace(/\s+/g, '-');
      return row.words!.includes(word) ? right(word) : wrong(`“${text}” is none of: ${row.words!.join(', ')}.`);
    }
    case 'number': {
      const read = numberText(row, text);
      return 'problem' in read ? wrong(read.problem) : right(read.text);
    }
    case 'moment': {
      const moment = momentText(text);
      return moment ? right(`"${moment}"`) : wrong(`“${text}” is no date. Try 2027-05-01 09:00.`);
    }
    case 'zone':
      return isZone(text) ? right(`"${text}"`) : wrong(`“${text}” is no time zone. Try Europe/Lisbon or UTC.`);
    case 'span':
      return SPAN.test(text) ? right(text) : wrong(`“${text}” is no length of time. Try 2d 12h or 45min.`);
    case 'units': {
      const named = text.toLowerCase().split(/[\s,]+/);
      const unknown = named.find((name) => !UNITS.includes(name));
      return unknown === undefined
        ? right(UNITS.filter((name) => named.includes(name)).join(' '))
        : wrong(`“${unknown}” is none of: ${UNITS.join(', ')}.`);
    }
    case 'pages': {
      // What stands for anything is stored as an ellipsis: a slash and a star together would begin a comment.
      const paths = text.replaceAll('*', '…').split(/[\s,]+/);
      const other = paths.find((path) => !/^[/…]/.test(path) || path.includes('</'));
      return other === undefined
        ? right(`"${paths.join(' ')}"`)
        : wrong(`“${other}” is no path. Begin with a slash, such as /booking, and put … for anything: /islands/….`);
    }
    default:
      return wrong(`“${text}” cannot be read.`);
  }
}
