/** Source of a pattern for strings and addresses: what is written in them is no CSS. */
export const QUOTED = String.raw`"(?:\\.|[^"\\])*"|'(?:\\.|[^'\\])*'|url\([^()]*\)`;
