import { behavioursNamed, SCRIPT_NAME, SCRIPT_SOURCE_NAME, scriptTag, type SiteHandover } from '@retoque/core';

const WHERE: Readonly<Record<SiteHandover['patches'][number]['change']['place'], string>> = {
  before: 'in front of',
  after: 'behind',
  first: 'as the first thing in',
  last: 'as the last thing in',
  instead: 'in place of',
};

const lines = (...texts: readonly (string | false)[]) => texts.filter((text) => text !== false).join('\n');

/** What to do with the files of a handover, and what was proven of them, for whoever carries them to the site. */
export function readMe(handover: SiteHandover, siteName: string, assets: readonly string[]): string {
  const { files, pages, patches, unbeatable } = handover;
  const differing = pages.reduce((sum, page) => sum + page.failures.length, 0);
  const compared = pages.reduce((sum, page) => sum + page.compared, 0);
  return `${lines(
    `${siteName}: what Retoque hands over`,
    '',
    ...files.map(({ path, page }) =>
      page
        ? `${path}: link it on the page "${page.name}" alone, after the other.`
        : `${path}: link it on every page, after all other stylesheets.`,
    ),
    handover.behaviours.length > 0 &&
      `${SCRIPT_NAME}: put this into the head of every page: ${scriptTag(SCRIPT_NAME)} (${SCRIPT_SOURCE_NAME} is the same to be read.)`,
    ...assets.map((path) => `${path}: put it at this path on the site.`),
    ...patches.map(
      ({ page, change }, i) =>
        `html/${i + 1}.html: on the page "${page.name}", put it ${WHERE[change.place]} ${change.locator.selector}.`,
    ),
    ...patches.flatMap(({ change }, i) =>
      behavioursNamed(change.html).length
        ? [
            `html/${i + 1}-block.html: the same with its CSS and script in one block, for a host that takes nothing else.`,
          ]
        : [],
    ),
    '',
    `${compared} values were compared on ${pages.length} ${pages.length === 1 ? 'page' : 'pages'}, in every state and range of width: ${differing} differ.`,
    ...pages.flatMap(({ name, failures }) => (failures.length ? [`  ${name}: ${failures.length} differ.`] : [])),
    ...unbeatable.map(
      ({ property, selector, sheet, line }) =>
        `  ${property}: ${selector} (${sheet}:${line}) is !important in a layer or a style attribute; change it there.`,
    ),
  )}\n`;
}
