import { settingKey, type Exception, type Look, type Setting } from './model.js';
import { withSettings, withTable } from './own-parts-of-look.js';

/** A setting as it is for a part that was split from another: what had the state of that one has its own. */
function movedTo(setting: Setting, from: string, to: string, exception?: string): Setting {
  const { exception: _before, ...rest } = setting;
  const states = rest.when.states.map((atom) => (atom.part === from ? { ...atom, part: to } : atom));
  return { ...rest, part: to, when: { ...rest.when, states }, ...(exception === undefined ? {} : { exception }) };
}

/** What is split from a part. */
export interface Split {
  readonly part: string;
  /** What the new part is called, and its name. */
  readonly name: string;
  /** Reaches just the members that are split off. */
  readonly selector: string;
  /** The same members, one by one, as exceptions name them. */
  readonly members: readonly string[];
  /** The look as it is worn, over the finish that it follows; what that says of the part stays with its members. */
  readonly worn?: Look;
}

/**
 * Some members of a part as a part of their own, which says for them what was said of them before: what the part said,
 * and over that what exceptions said that were about just them.
 */
export function splitPart(look: Look, { part, name, selector, members, worn = look }: Split): Look {
  const chosen = new Set(members);
  const own = new Map<string, Setting>();
  const off = new Set<string>();
  const take = (setting: Setting, isOff: boolean, exception?: string) => {
    const moved = movedTo(setting, part, name, exception);
    const key = settingKey(moved);
    // What is switched off puts nothing in the place of what is not.
    if (isOff && own.has(key)) return;
    own.set(key, moved);
    if (isOff) off.add(key);
    else off.delete(key);
  };
  const isMuted = (setting: Setting) => look.muted.includes(settingKey(setting));
  const of = (exception: string | undefined) => (setting: Setting) =>
    setting.part === part && setting.exception === exception;
  const said = new Set(look.settings.map(settingKey));
  for (const setting of worn.settings.filter(of(undefined))) {
    if (!said.has(settingKey(setting)) && !worn.muted.includes(settingKey(setting))) take(setting, false);
  }
  for (const setting of look.settings.filter(of(undefined))) take(setting, isMuted(setting));

  const exceptions: Exception[] = [];
  const gone = new Set<string>();
  for (const exception of look.exceptions) {
    const moved = exception.part === part ? exception.members.filter((member) => chosen.has(member)) : [];
    const left = exception.members.filter((member) => !moved.includes(member));
    if (!moved.length || left.length) exceptions.push(moved.length ? { ...exception, members: left } : exception);
    else gone.add(exception.id);
    if (!moved.length) continue;
    const isAll = moved.length === chosen.size;
    const id = left.length ? `${exception.id.slice(0, 50)}-split` : exception.id;
    if (!isAll) exceptions.push({ ...exception, id, part: name, members: moved });
    for (const setting of look.settings.filter(of(exception.id)))
      take(setting, isMuted(setting), isAll ? undefined : id);
  }
  const rest = withSettings(look, (setting) => setting.exception === undefined || !gone.has(setting.exception));
  const told: Look = {
    ...rest,
    exceptions,
    settings: [...rest.settings, ...own.values()],
    muted: [...rest.muted, ...off],
  };
  const from = look.splitFrom?.[part] ?? part;
  return withTable(withTable(told, 'parts', name, selector), 'splitFrom', name, from);
}
