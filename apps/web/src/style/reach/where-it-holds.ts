import { settingKey, type Look } from '@retoque/core';

/** A look with what it says for every page said for one alone; what that page has of its own stays. */
export function onPageAlone(look: Look, page: string): Look {
  const own = new Set(look.settings.filter(({ when }) => when.page === page).map(settingKey));
  const settings = look.settings.flatMap((setting) => {
    if (setting.when.page !== undefined) return [setting];
    const moved = { ...setting, when: { ...setting.when, page } };
    return own.has(settingKey(moved)) ? [] : [moved];
  });
  const keyOf = new Map(look.settings.map((setting) => [settingKey(setting), setting]));
  const muted = look.muted.map((key) => {
    const setting = keyOf.get(key);
    return setting && setting.when.page === undefined
      ? settingKey({ ...setting, when: { ...setting.when, page } })
      : key;
  });
  return { ...look, settings, muted: [...new Set(muted)] };
}

/** A look without what it says for every page. */
export const withoutEveryPage = (look: Look): Look => ({
  ...look,
  settings: look.settings.filter(({ when }) => when.page !== undefined),
});
