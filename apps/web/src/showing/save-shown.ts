import { surveyEngine } from '../engine/engine';
import type { PageUnder } from '../engine/protocol';
import type { SiteVersion } from './site-versions';
import { showPage, storedFilesIn, withData, withSheet } from './show-page';

/** A version with what was worked out of it. */
export interface WorkedOut extends SiteVersion {
  readonly under: PageUnder;
}

const asData = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(new Error('A file of the page could not be read.'));
    reader.readAsDataURL(blob);
  });

/** A page in its versions as one file, with all that it shows in it; and how many of its files could not be had. */
export async function shownAsFile(
  site: string,
  page: string,
  version: string,
  versions: readonly WorkedOut[],
): Promise<{ readonly html: string; readonly missing: number }> {
  const html = await surveyEngine().liveFrame(version);
  const pages = versions.map(({ under }) => withSheet(html, under.css));
  const data = new Map<string, string>();
  let missing = 0;
  for (const address of storedFilesIn(pages, `${location.origin}/api/assets/`)) {
    const answer = await fetch(address);
    if (answer.ok) data.set(address, await asData(await answer.blob()));
    else missing++;
  }
  const day = new Date().toLocaleDateString('en', { day: 'numeric', month: 'long', year: 'numeric' });
  const shown = versions.map(({ name, under }, i) => ({ ...under, name, html: withData(pages[i]!, data) }));
  return { html: showPage(site, page, day, shown), missing };
}
