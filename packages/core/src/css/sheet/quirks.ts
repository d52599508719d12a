/** Properties whose lengths need no unit in quirks mode (Quirks Mode, section 3.2). */
const UNITLESS =
  /^(background-position|border-spacing|border(-(top|right|bottom|left))?-width|bottom|clip|font-size|height|left|letter-spacing|margin(-(top|right|bottom|left))?|(max|min)-(width|height)|padding(-(top|right|bottom|left))?|right|text-indent|top|vertical-align|width|word-spacing)$/;
/** Properties whose colours need no hash in quirks mode (Quirks Mode, section 3.1). */
const HASHLESS = /^(background-color|border-color|border-(top|right|bottom|left)-color|color)$/;

/** A declared value as quirks mode reads it, with its units and hashes put in. */
export function quirkyText(property: string, text: string): string {
  if (text.includes('(')) return text;
  if (UNITLESS.test(property)) {
    return text.replace(
      /(^|\s)([+-]?(?:\d+(?:\.\d*)?|\.\d+))(?=$|\s)/g,
      (_, before: string, number: string) => `${before}${number}px`,
    );
  }
  if (HASHLESS.test(property)) {
    return text.replace(/(^|\s)([0-9a-f]{1,6})(?=$|\s)/gi, (whole, before: string, digits: string) => {
      // What begins with a digit is a number or a dimension, and is filled up with zeros.
      if (/^\d/.test(digits)) return `${before}#${digits.padStart(6, '0')}`;
      return digits.length === 3 || digits.length === 6 ? `${before}#${digits}` : whole;
    });
  }
  return text;
}
