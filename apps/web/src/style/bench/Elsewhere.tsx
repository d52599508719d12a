import { Box, Flex } from '@chakra-ui/react';
import type { ComponentEffect, Locator } from '@retoque/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { pageOfEdition, surveyEngine } from '../../engine/engine';
import { countChecks } from '../../ledger/merge';
import { putShares } from '../../ledger/put-shares';
import { useSitePages, useSiteWork } from '../../ledger/useSiteWork';
import { counted } from '../../shell/counted';
import { Notice } from '../../shell/Notice';
import { tellDone, tellProblem } from '../../shell/toasts';
import { Button } from '../../theme/Button';
import type { Styled } from './useOpened';
import type { UsedFix } from './useRemedies';

/** What a suggested fix does elsewhere on the site: what fails because of it, and what mends that too. */
export default function Elsewhere({ styled: { site, versionId, component }, used }: { styled: Styled; used: UsedFix }) {
  const client = useQueryClient();
  const pages = useSitePages(site);
  const { kind, locator, name } = component;
  const { before, after } = used;
  const asked = { versionId, kind, locator: locator as Locator, name, before, after };
  const answer = useSiteWork(['along', asked], pages.at, (at, onStep) => surveyEngine().takeAlong(at, asked, onStep));
  const [mended, setMended] = useState<UsedFix>();
  const [busy, setBusy] = useState(false);
  const { data } = answer;
  if (answer.error) return <Notice tone="short">Other components were not looked at: {answer.error.message}</Notice>;
  if (!data?.broken.length || mended === used) return null;
  const { broken, shares, left } = data;
  const nameOf = ({ name: own, version }: ComponentEffect) => {
    const at = version === versionId ? undefined : site.pages.find(({ id }) => id === pageOfEdition(version));
    return at ? `${own} on ${at.name}` : own;
  };
  const mend = async () => {
    setBusy(true);
    try {
      const undo = await putShares(client, site.id, shares);
      setMended(used);
      tellDone(`${counted(shares.length, 'other component')} mended too`, () => void undo().catch(tellProblem));
    } catch (error) {
      tellProblem(error as Error);
      setBusy(false);
    }
  };
  return (
    <Notice
      tone="short"
      action={
        shares.length ? (
          <Button variant="solid" size="s" flexShrink="0" disabled={busy} onClick={() => void mend()}>
            {busy ? 'Saving…' : 'Mend them too'}
          </Button>
        ) : undefined
      }
    >
      <Box>
        <b>This fix makes other checks fail.</b> {leftWords(shares.length, [...checksByName(left, nameOf).keys()])}
      </Box>
      <Flex as="ul" listStyleType="none" gap="4px 14px" flexWrap="wrap" mt="3px">
        {[...checksByName(broken, nameOf)].map(([where, checks]) => (
          <li key={where}>
            {where}: {counted(checks, 'check')}
          </li>
        ))}
      </Flex>
    </Notice>
  );
}

/** How many checks fail, by where that is. */
function checksByName(
  effects: readonly ComponentEffect[],
  nameOf: (effect: ComponentEffect) => string,
): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const effect of effects) {
    const name = nameOf(effect);
    counts.set(name, (counts.get(name) ?? 0) + countChecks(effect.broken));
  }
  return counts;
}

function leftWords(shares: number, left: readonly string[]): string {
  if (!left.length) return 'Small changes in their looks make all of them pass again.';
  return shares ? `${left.join('; ')}: not mended by a small change.` : 'No small change in other looks mends them.';
}
