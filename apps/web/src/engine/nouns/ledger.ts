import {
  heatOf,
  NEEDED_LARGE,
  NEEDED_NORMAL,
  Remedies,
  finishInTurns,
  replacingAcross,
  solve,
  solving,
  type Look,
  type Solution,
  type ViewportName,
} from '@retoque/core';
import { environmentOf, ledgerRequest, now, telling } from '../asking';
import { Preparation } from '../preparation';
import type { ComponentRef, Engine, LedgerQuery } from '../protocol';
import { asWorn, pagesNow, placeOfRef, sessionOf } from '../sites';

const solvingKey = (...asked: [ComponentRef, Look, LedgerQuery, ViewportName]) => JSON.stringify(asked);

/** Every check of a component, and suggested fixes of what falls short. */
export function ledgerOf(): Pick<
  Engine,
  'ledger' | 'remedies' | 'solve' | 'prepare' | 'stopPreparing' | 'replaceColour' | 'heat'
> {
  /** What makes all of a component pass, as far as it is worked out. */
  const preparation = new Preparation<Solution>();
  return {
    async ledger(ref, look, query) {
      return sessionOf(ref).ledger(asWorn(ref, look), ledgerRequest(query));
    },

    async remedies(ref, look, query, check, at) {
      return new Remedies(sessionOf(ref), asWorn(ref, look), { ...ledgerRequest(query), at }).propose(check);
    },

    async solve(ref, look, query, scope, at) {
      const begun = scope.of === 'component' ? preparation.finish(solvingKey(ref, look, query, at)) : undefined;
      return begun ?? solve(sessionOf(ref), asWorn(ref, look), scope, { ...ledgerRequest(query), at });
    },

    async prepare(ref, look, query, at) {
      return preparation.run(solvingKey(ref, look, query, at), () =>
        solving(sessionOf(ref), asWorn(ref, look), { of: 'component' }, { ...ledgerRequest(query), at }),
      );
    },

    async stopPreparing() {
      preparation.stop();
    },

    async replaceColour(ref, look, colour, onStep) {
      const request = { ...ledgerRequest({ place: {}, added: [], measured: 0 }), at: 'wide' };
      const { versionId: version } = ref;
      const steps = replacingAcross(pagesNow(version), colour, request, {
        version,
        place: placeOfRef(ref),
        look: asWorn(ref, look),
      });
      return finishInTurns(steps, telling(onStep), now, 0);
    },

    async heat(ref, look, viewport, place, part, column) {
      const seen = sessionOf(ref).seenUnder(asWorn(ref, look), part, column, {
        environment: environmentOf(viewport, place),
        place,
      });
      return heatOf(seen, (large) => (large ? NEEDED_LARGE : NEEDED_NORMAL));
    },
  };
}
