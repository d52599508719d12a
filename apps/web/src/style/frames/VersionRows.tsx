import { Flex } from '@chakra-ui/react';
import type { Trial } from '@retoque/contract';
import { tallyOf, type EditingPlace, type Kind, type Look, type StateColumn, type ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import type { ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { Wedge } from '../../shell/Wedge';
import { Button } from '../../theme/Button';
import { worstCheck } from '../checks/worstCheck';
import type { FramesView } from './frames-view';
import { lookShown } from './look-shown';
import { StateFrame } from './StateFrame';
import { TakeParts } from './TakeParts';

interface Shown {
  readonly component: ComponentRef;
  readonly part: string;
  readonly columns: readonly StateColumn[];
  readonly viewport: ViewportName;
  readonly place: EditingPlace;
  readonly view: FramesView;
  readonly selected: string;
  readonly kind: Kind;
  /** The look in hand, and what keeps another in its place, as one step of a name. */
  readonly own: Look;
  readonly onTake: (look: Look, step: string) => void;
}

/** The other versions of a component under the one in hand, each in the same states with its own figures. */
export default function VersionRows({
  versions,
  busy,
  onChoose,
  onAdd,
  ...shown
}: Shown & {
  versions: readonly Trial[];
  busy: boolean;
  onChoose: (id: string) => void;
  onAdd: () => void;
}) {
  return (
    <>
      {versions.map((version) => (
        <VersionRow key={version.id} version={version} onChoose={() => onChoose(version.id)} {...shown} />
      ))}
      {versions.length ? null : (
        <Flex padding="0 14px 12px" gap="10px" alignItems="center" color="ink2">
          There is only one version.
          <Button size="s" disabled={busy} onClick={onAdd}>
            Add a version
          </Button>
        </Flex>
      )}
    </>
  );
}

function VersionRow({
  version,
  onChoose,
  component,
  part,
  columns,
  viewport,
  place,
  view,
  selected,
  kind,
  own,
  onTake,
}: Shown & { version: Trial; onChoose: () => void }) {
  const look = version.look as Look;
  const answer = useQuery({
    queryKey: ['engine', 'beside', refKey(component), viewport, place, view.alone, version.id, version.revision],
    staleTime: Infinity,
    gcTime: 0,
    // Exceptions are each version's own.
    queryFn: () => lookShown(component, look, viewport, { ...place, exception: undefined }, view.alone),
  });
  const name = `Version ${version.name}`;
  const short = answer.data ? tallyOf(answer.data.checks).short : 0;
  return (
    <section aria-label={name}>
      <Flex alignItems="center" gap="10px" padding="0 14px 4px">
        <b>{name}</b>
        {answer.data ? (
          <Flex as="span" alignItems="center" gap="5px" color={short ? 'short' : 'ink2'} fontSize="12.5px">
            {short ? <Wedge /> : null}
            {short ? `${short} ${short === 1 ? 'state fails' : 'states fail'}` : 'every state passes'}
          </Flex>
        ) : null}
        <Button size="s" variant="quiet" onClick={onChoose}>
          Work on this one
        </Button>
        <TakeParts kind={kind} name={name} look={own} from={look} onTake={onTake} />
        {answer.error ? <span role="alert">{answer.error.message}</span> : null}
      </Flex>
      <div className="frames" data-framing={view.framing}>
        {answer.data
          ? columns.map((column) => (
              <StateFrame
                key={column.name}
                component={component}
                part={part}
                column={column}
                viewport={viewport}
                place={place}
                exceptions={look.exceptions}
                view={view}
                named={false}
                look={answer.data.look}
                heatLook={view.heat ? look : undefined}
                check={worstCheck(answer.data.checks, part, column.name)}
                selected={column.name === selected}
                onSelect={onChoose}
              />
            ))
          : null}
      </div>
    </section>
  );
}
