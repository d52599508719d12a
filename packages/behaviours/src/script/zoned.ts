/** Milliseconds by which a zone is ahead of UTC at a moment. */
function ahead(zone: string, moment: number): number {
  const parts = new Intl.DateTimeFormat('en-u-ca-iso8601-nu-latn', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    second: 'numeric',
  }).formatToParts(moment);
  const of = (type: string) => Number(parts.find((part) => part.type === type)?.value);
  const wall = Date.UTC(of('year'), of('month') - 1, of('day'), of('hour'), of('minute'), of('second'));
  return wall - Math.floor(moment / 1000) * 1000;
}

/**
 * The moment at which clocks in a zone show a date and time; of an hour that comes twice the first, and of one that is
 * left out the one behind it.
 *
 * @param text such as `2027-05-01 09:00`; midnight where it has no time
 * @param zone a name of the time zone database
 * @returns milliseconds since 1970; NaN for what is no date of the calendar, or no zone
 */
export function momentOf(text: string, zone: string): number {
  const read = /^(\d{4})-(\d\d)-(\d\d)(?:[T ](\d\d):(\d\d)(?::(\d\d))?)?$/.exec(text.trim());
  if (!read) return NaN;
  const [year, month, day, hour, minute, second] = read.slice(1).map((part) => Number(part ?? 0)) as number[];
  const wall = Date.UTC(year!, month! - 1, day, hour, minute, second);
  const back = new Date(wall);
  if (back.getUTCMonth() !== month! - 1 || back.getUTCDate() !== day || hour! > 23 || minute! > 59 || second! > 59)
    return NaN;
  try {
    const before = ahead(zone, wall - 864e5);
    const after = ahead(zone, wall + 864e5);
    const found = [before, after].find((offset) => ahead(zone, wall - offset) === offset);
    return wall - (found ?? before);
  } catch {
    return NaN;
  }
}
