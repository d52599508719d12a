/** A version of a page, as it is shown to somebody. */
export interface ShownVersion {
  readonly name: string;
  /** The whole page, which asks for nothing from elsewhere. */
  readonly html: string;
  /** Texts and controls whose contrast was measured; those of them that fail; and what is not sure. */
  readonly measured: number;
  readonly failing: number;
  readonly unsure: number;
}

const escape = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** A page with a sheet behind all of its own. */
export function withSheet(html: string, css: string): string {
  const sheet = `<style>${css.replace(/<\/(style)/gi, '<\\/$1')}</style>`;
  const at = html.search(/<\/head>/i);
  return at < 0 ? `${sheet}${html}` : `${html.slice(0, at)}${sheet}${html.slice(at)}`;
}

/** The addresses of stored files that texts name, each once. */
export const storedFilesIn = (texts: readonly string[], base: string): string[] => [
  ...new Set(
    texts.flatMap(
      (text) => text.match(new RegExp(`${base.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}[0-9a-f]{16,}`, 'g')) ?? [],
    ),
  ),
];

/** The text with data in place of the addresses of files. */
export const withData = (text: string, data: ReadonlyMap<string, string>): string =>
  [...data].reduce((own, [address, content]) => own.split(address).join(content), text);

/** How a version fares, in a few words; all is well only where all of it is sure. */
export function figuresOf({
  measured,
  failing,
  unsure,
}: Pick<ShownVersion, 'measured' | 'failing' | 'unsure'>): string {
  const words = failing
    ? `${failing} of ${measured} fail on contrast`
    : `${unsure ? '' : 'All '}${measured} have enough contrast`;
  return unsure ? `${words}, ${unsure} not sure` : words;
}

const figures = (version: ShownVersion): string =>
  version.failing ? `<b class="short">${figuresOf(version)}</b>` : figuresOf(version);

/**
 * One page of HTML that shows versions of a page, one or all side by side, with their figures. It holds no script, asks
 * for nothing from elsewhere, and needs no server; what it shows cannot run anything either.
 */
export function showPage(site: string, page: string, day: string, versions: readonly ShownVersion[]): string {
  const ids = versions.map((_, i) => `v${i}`);
  const one = ids.map((id) => `body:has(#${id}:checked) section:not([data-of=${id}]) { display: none }`).join('\n');
  const choices = versions
    .map(({ name }, i) => `<label><input type="radio" name="v" id="v${i}">${escape(name)}</label>`)
    .join('');
  const frames = versions
    .map(
      (version, i) =>
        `<section data-of="v${i}"><h2>${escape(version.name)} <small>${figures(version)}</small></h2><iframe sandbox="" title="${escape(version.name)}" srcdoc="${escape(version.html)}"></iframe></section>`,
    )
    .join('');
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; frame-src 'self'">
<title>${escape(page)}: ${versions.length} versions</title>
<style>
body { margin: 0; font: 15px/1.4 system-ui, sans-serif; color: #1d1e20; background: #e4e4e2; display: flex; flex-direction: column; height: 100vh }
header { display: flex; flex-wrap: wrap; gap: 6px 18px; align-items: baseline; padding: 12px 18px; background: #1d1e20; color: #fff }
h1 { font-size: 17px; margin: 0 } header p { margin: 0; color: #cfd0d2 }
fieldset { border: 0; margin: 0 0 0 auto; padding: 0; display: flex; flex-wrap: wrap; gap: 14px }
label { display: flex; gap: 6px; align-items: center; cursor: pointer }
main { flex: 1; min-height: 0; display: grid; grid-template-columns: repeat(auto-fit, minmax(min(100%, 780px), 1fr)); gap: 12px; padding: 12px }
section { display: flex; flex-direction: column; min-height: 420px }
h2 { font-size: 15px; margin: 0 0 6px } small { font-weight: 400; font-size: 13px; color: #55575a; margin-left: 8px } .short { color: #a3271b }
iframe { flex: 1; border: 1px solid #b9bab7; border-radius: 6px; background: #fff }
${one}
</style>
<header><h1>${escape(page)}</h1><p>${escape(site)}, ${escape(day)}</p><fieldset><legend hidden>Versions</legend><label><input type="radio" name="v" checked>All</label>${choices}</fieldset></header>
<main>${frames}</main>
</html>
`;
}
