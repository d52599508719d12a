import type { StyleView } from './style-view.js';
import { substitute } from './substitute.js';
import { computeRegistered } from './registered.js';

/** Insets that a browser on a desktop gives (CSS Environment Variables 1); anything else is not set. */
const INSETS =
  /^(safe-area-inset-(top|right|bottom|left)|safe-area-max-inset-bottom|keyboard-inset-(top|right|bottom|left|width|height))$/;

export const environmentVariable = (name: string): string | undefined => (INSETS.test(name) ? '0px' : undefined);

/** In a circle that is longer than this what is further along counts as not set, as the circle makes it anyway. */
const MAX_OPEN = 1000;

/** So deep references are followed by calls within calls; what leads on from there is worked out from its far end. */
const DEEP = 40;
const REFERENCE = /var\(\s*(--[^\s,()]+)/gi;

/**
 * Custom properties of one element. Properties that refer to each other in a circle are all invalid, whatever fallbacks
 * they have (CSS Custom Properties 1, section 2.3).
 */
export class CustomProperties {
  private readonly values = new Map<string, string | undefined>();
  /** Properties being worked out, outermost first. */
  private readonly open: string[] = [];
  private readonly cyclic = new Set<string>();

  constructor(private readonly style: StyleView) {}

  get(name: string): string | undefined {
    if (this.values.has(name)) return this.values.get(name);
    return this.resolve(name);
  }

  /** Works out what a property refers to before itself, from the far end: chains may be longer than calls can nest. */
  private resolveReferences(first: string): void {
    const seen = new Set([first]);
    const path = [{ name: first, references: this.referencesOf(first) }];
    for (let top = path.at(-1); top; top = path.at(-1)) {
      const next = top.references.pop();
      if (next === undefined) {
        path.pop();
        if (path.length) this.resolve(top.name);
      } else if (!seen.has(next) && !this.values.has(next)) {
        seen.add(next);
        path.push({ name: next, references: this.referencesOf(next) });
      }
    }
  }

  private referencesOf(name: string): string[] {
    const declared = this.style.winner(name)?.declaration;
    return declared?.substitutes ? [...declared.value.matchAll(REFERENCE)].map((match) => match[1]!) : [];
  }

  private resolve(name: string): string | undefined {
    if (this.values.has(name)) return this.values.get(name);
    if (this.open.length >= MAX_OPEN) return undefined;
    if (this.open.length === DEEP) this.resolveReferences(name);
    const at = this.open.indexOf(name);
    if (at >= 0) {
      for (const member of this.open.slice(at)) this.cyclic.add(member);
      return undefined;
    }
    this.open.push(name);
    const worked = this.workOut(name);
    this.open.pop();
    const value = this.cyclic.has(name) ? this.unset(name) : worked;
    this.values.set(name, value);
    return value;
  }

  private unset(name: string): string | undefined {
    const registered = this.style.registered(name);
    if (registered && !registered.inherits) return registered.initial;
    return this.style.parent ? this.style.parent.customProperty(name) : registered?.initial;
  }

  private workOut(name: string): string | undefined {
    const registered = this.style.registered(name);
    const declared = this.style.winner(name)?.declaration.value;
    const word = declared?.toLowerCase();
    if (declared === undefined || word === 'unset' || word === 'revert' || word === 'revert-layer')
      return this.unset(name);
    if (word === 'inherit') {
      return this.style.parent ? this.style.parent.customProperty(name) : registered?.initial;
    }
    if (word === 'initial') return registered?.initial;
    const value = substitute(declared, {
      property: (other) => this.resolve(other),
      environment: environmentVariable,
    });
    if (value === undefined) return registered ? this.unset(name) : undefined;
    if (!registered) return value;
    return this.style.inContext((context) => computeRegistered(registered, value.trim(), context)) ?? this.unset(name);
  }
}
