import { settingIndex, settingKey, type Look, type Setting } from '@retoque/core';

/** What of a look others can wear too: nothing of single members, nothing of one page. */
export const isShareable = ({ exception, when }: Setting): boolean =>
  exception === undefined && when.page === undefined;

/** A look as a finish has it. */
export const asFinish = (look: Look): Look => ({
  settings: look.settings.filter(isShareable),
  exceptions: [],
  muted: look.muted.filter((key) => look.settings.some((own) => isShareable(own) && settingKey(own) === key)),
});

/** A look that follows a finish: what that says it says itself no more. */
export function follow(look: Look, id: string, finish: Look): Look {
  const said = settingIndex(finish);
  const settings = look.settings.filter((setting) => !said.has(settingKey(setting)));
  const left = new Set(settings.map(settingKey));
  return { ...look, finish: id, settings, muted: look.muted.filter((key) => left.has(key)) };
}

/** Two looks as one, the second over the first. */
const over = (under: readonly Setting[], above: readonly Setting[]): Setting[] => [
  ...new Map([...under, ...above].map((setting) => [settingKey(setting), setting])).values(),
];

/** A finish with what a look that follows it has besides. */
export const withOwn = (finish: Look, look: Look): Look => {
  const own = asFinish(look);
  return {
    ...finish,
    settings: over(finish.settings, own.settings),
    muted: [...new Set([...finish.muted, ...own.muted])],
  };
};

/** A look that says itself what its finish said. */
export function unfollow({ finish: _followed, ...look }: Look, finish: Look): Look {
  return {
    ...look,
    settings: over(finish.settings, look.settings),
    muted: [...new Set([...finish.muted, ...look.muted])],
  };
}

/** A look that has nothing of its own left that others could wear. */
export const backToFinish = (look: Look): Look => {
  const settings = look.settings.filter((setting) => !isShareable(setting));
  const left = new Set(settings.map(settingKey));
  return { ...look, settings, muted: look.muted.filter((key) => left.has(key)) };
};
