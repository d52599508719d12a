import { rowNamed } from '../component/rows.js';
import { settingIndex, settingKey, type Look, type Setting } from './model.js';

/** What of a look others can wear too: nothing of single members, nothing of one page, no date that one counts to. */
export const isShareable = ({ property, exception, when }: Setting): boolean =>
  exception === undefined && when.page === undefined && !rowNamed(property)?.ofOne;

/** Some settings of a look, with those that are switched off among them. */
function keeping(look: Look, isKept: (setting: Setting) => boolean): Pick<Look, 'settings' | 'muted'> {
  const settings = look.settings.filter(isKept);
  const left = new Set(settings.map(settingKey));
  return { settings, muted: look.muted.filter((key) => left.has(key)) };
}

/** A look with another under it: at an equal key its own setting wins. */
export const overLook = (under: Look, look: Look): Look => ({
  ...look,
  settings: [...new Map([...settingIndex(under), ...settingIndex(look)]).values()],
  muted: [...new Set([...under.muted, ...look.muted])],
});

/** A look as a finish has it. */
export const asFinish = (look: Look): Look => ({ ...keeping(look, isShareable), exceptions: [] });

/** A look that follows a finish: what that says it says itself no more. */
export function followFinish(look: Look, id: string, finish: Look): Look {
  const said = settingIndex(finish);
  return { ...look, ...keeping(look, (setting) => !said.has(settingKey(setting))), finish: id };
}

/** A look that says itself what its finish said. */
export const leaveFinish = ({ finish: _followed, ...look }: Look, finish: Look): Look => overLook(finish, look);

/** A look that has nothing of its own left that others could wear. */
export const backToFinish = (look: Look): Look => ({ ...look, ...keeping(look, (setting) => !isShareable(setting)) });

/** A finish with what a look that follows it has besides. */
export function finishWithOwn(finish: Look, look: Look): Look {
  const { settings, muted } = overLook(finish, asFinish(look));
  return { ...finish, settings, muted };
}
