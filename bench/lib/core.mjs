import { bitsOf, closeBits, DESKTOP, forceStates, PageSession, PageStyles, selectAll } from '@retoque/core';
import { ASKED, INTERACTIVE } from './pages.mjs';

export const STATES = [[], ['hover'], ['focus', 'focus-visible'], ['hover', 'active']];

export const sessionOf = (page) => new PageSession({ html: page.html, address: 'http://bench.invalid/', sheets: [] });

/** Resolves what is asked of each element in each state. Given a fresh session, nothing is known yet but the parsed page. */
export function resolveAll(session, elements, states = STATES, environments = [DESKTOP]) {
  let length = 0;
  for (const environment of environments) {
    const styles = new PageStyles(session.index, environment, session.known);
    for (const atoms of states) {
      const bits = closeBits(bitsOf(atoms));
      for (const element of elements) {
        const style = styles.at(bits ? forceStates([[element, bits]]) : undefined).of(element);
        for (const property of ASKED) length += style.text(property).length;
      }
    }
  }
  return length;
}

export const interactiveOf = (session) => selectAll(session.tree, INTERACTIVE);
