import type { Look, PageReach, StateColumn } from '@retoque/core';
import { columnNamed } from '@retoque/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { pageQuery } from '../../api/queries';
import { engine, useOpenedPage } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { equip } from '../../measuring/equip';
import { worstCheck } from '../checks/worstCheck';
import { PLAIN_VIEW } from '../frames/frames-view';
import { lookShown } from '../frames/look-shown';
import { StateFrame } from '../frames/StateFrame';

const AT_REST: StateColumn = columnNamed('default')!;
const EVERY_PAGE = {};
const WHOLE = { ...PLAIN_VIEW, framing: 'page' as const };
const nothing = () => undefined;

/** The component as the look leaves it on another page of the site. */
export function ReachPicture({
  component,
  look,
  reach,
  part,
}: {
  component: ComponentRef;
  look: Look;
  reach: PageReach;
  /** The part in hand, which is shown where the page has it. */
  part: string;
}) {
  const client = useQueryClient();
  const page = useQuery(pageQuery(reach.pageId));
  const opened = useOpenedPage(page.data);
  const versionId = opened.data?.versionId;
  const there = useMemo(
    (): ComponentRef | undefined =>
      versionId === undefined ? undefined : { ...component, versionId, pageId: reach.pageId },
    [component, versionId, reach.pageId],
  );
  const shown = reach.parts.includes(part) ? part : reach.parts[0];
  const answer = useQuery({
    queryKey: ['engine', 'there', there && refKey(there), look],
    enabled: there !== undefined && shown !== undefined,
    staleTime: Infinity,
    gcTime: 0,
    queryFn: async () => {
      await equip(client, engine(), reach.pageId, there!.versionId);
      return lookShown(there!, look, 'wide', EVERY_PAGE, false);
    },
  });
  const error = page.error ?? opened.error ?? answer.error;
  return (
    <li>
      <p>
        <b>{reach.name}</b>
        <span>
          {reach.elements} {reach.elements === 1 ? 'element' : 'elements'}
          {reach.isUnlike ? ', not like here' : ''}
        </span>
      </p>
      <div className="frames" data-framing="page">
        {error ? <p role="alert">{error.message}</p> : null}
        {there && shown !== undefined && answer.data ? (
          <StateFrame
            component={there}
            part={shown}
            column={AT_REST}
            viewport="wide"
            place={EVERY_PAGE}
            exceptions={look.exceptions}
            view={WHOLE}
            named={false}
            look={answer.data.look}
            heatLook={undefined}
            check={worstCheck(answer.data.checks, shown, AT_REST.name)}
            selected={false}
            onSelect={nothing}
          />
        ) : null}
      </div>
    </li>
  );
}
