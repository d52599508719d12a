import type { ElementStyle } from './styles.js';
import { substitute } from './substitute.js';
import { computeRegistered } from './registered.js';

/** Insets that a browser on a desktop gives (CSS Environment Variables 1); anything else is not set. */
const INSETS =
  /^(safe-area-inset-(top|right|bottom|left)|safe-area-max-inset-bottom|keyboard-inset-(top|right|bottom|left|width|height))$/;

export const environmentVariable = (name: string): string | undefined => (INSETS.test(name) ? '0px' : undefined);

/**
 * Custom properties of one element. Properties that refer to each other in a circle are all invalid, whatever fallbacks
 * they have (CSS Custom Properties 1, section 2.3).
 */
export class CustomProperties {
  private readonly values = new Map<string, string | undefined>();
  /** Properties being worked out, outermost first. */
  private readonly open: string[] = [];
  private readonly cyclic = new Set<string>();

  constructor(private readonly style: ElementStyle) {}

  get(name: string): string | undefined {
    if (this.values.has(name)) return this.values.get(name);
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
      property: (other) => this.get(other),
      environment: environmentVariable,
    });
    if (value === undefined) return registered ? this.unset(name) : undefined;
    if (!registered) return value;
    return this.style.inContext((context) => computeRegistered(registered, value.trim(), context)) ?? this.unset(name);
  }
}
