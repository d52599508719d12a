import { Box, Flex } from '@chakra-ui/react';
import type { AddFinish, LookData, Site } from '@retoque/contract';
import { resolveNames } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ASKED_NOW, sitesQuery, siteQuery } from '../../api/queries';
import { Notice } from '../../shell/Notice';
import { Button } from '../../theme/Button';

/** Finishes of one kind that another of the owner's sites has, with colours in place of the names of its palette. */
function finishesOf({ finishes, palette }: Site, kind: string): AddFinish[] {
  const swatches = new Map(palette.swatches.map(({ id, css }) => [id, css]));
  return finishes
    .filter((finish) => finish.kind === kind)
    .map(({ name, look }) => ({
      kind,
      name,
      look: resolveNames(look, { swatches, finishes: new Map() }).look as LookData,
    }));
}

/** Finishes for a kind that the owner keeps on other sites, to be brought to this one. */
export default function OtherSites({
  siteId,
  kind,
  busy,
  onAdd,
}: {
  siteId: string;
  kind: string;
  busy: boolean;
  onAdd: (finish: AddFinish) => void;
}) {
  const [chosen, setChosen] = useState('');
  // Finishes kept a moment ago, here or in another window, are in the list.
  const sites = useQuery({ ...sitesQuery, ...ASKED_NOW });
  const site = useQuery({ ...siteQuery(chosen), ...ASKED_NOW, enabled: chosen !== '' });
  const others = (sites.data ?? []).filter(({ id }) => id !== siteId);
  const found = site.data && finishesOf(site.data, kind);
  const error = sites.error ?? site.error;
  return (
    <Box mt="8px">
      {error ? <Notice tone="short">{error.message}</Notice> : null}
      {sites.data && !others.length ? <Box color="ink2">You have no other site.</Box> : null}
      {others.length ? (
        <select aria-label="Another of your sites" value={chosen} onChange={(event) => setChosen(event.target.value)}>
          <option value="">Choose a site…</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      ) : null}
      {found ? (
        found.length ? (
          <Flex gap="6px" flexWrap="wrap" mt="6px" role="group" aria-label="Its finishes">
            {found.map((finish) => (
              <Button key={finish.name} size="s" disabled={busy} onClick={() => onAdd(finish)}>
                {finish.name}
              </Button>
            ))}
          </Flex>
        ) : (
          <Box color="ink2" mt="6px">
            That site keeps no finish for this kind.
          </Box>
        )
      ) : null}
    </Box>
  );
}
