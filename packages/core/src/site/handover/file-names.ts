const MAX_NAME = 36;

/** A name as a file can have it: small letters, digits and hyphens. */
export const asFileName = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, MAX_NAME)
    .replace(/-$/, '');

/** A name for the sheet of one page that no other file has; it is taken from then on. */
export function pageFileName(fileName: string, page: string, taken: Set<string>): string {
  const [stem] = fileName.split('.css');
  const base = `${stem}-${asFileName(page) || 'page'}`;
  let name = `${base}.css`;
  for (let n = 2; taken.has(name); n++) name = `${base}-${n}.css`;
  taken.add(name);
  return name;
}
