import { toHex, type Exception, type MemberValue, type SheetPart } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { engine } from '../../engine/engine';
import { refKey } from '../../engine/ref-key';
import { Button } from '../../theme/Button';
import { useHand } from './hand';

const LONGEST_NAME = 60;

/** Values that the elements of a part have in one cell, with a way to set some of them apart from the rest. */
export default function Differs({
  part,
  values,
  onApart,
}: {
  part: SheetPart;
  values: readonly MemberValue[];
  onApart: (exception: Exception) => void;
}) {
  const { component } = useHand();
  const { data: known } = useQuery({
    queryKey: ['engine', 'members', refKey(component), part.name],
    staleTime: Infinity,
    queryFn: () => engine().members(component, part.name),
  });
  const of = ({ members }: MemberValue) => known?.filter(({ order }) => members.includes(order)) ?? [];
  return (
    <div className="section differs" data-testid="differs">
      <p>The {part.reach} elements of this part differ here. A value that you set is set for all of them.</p>
      <ul>
        {values.map((value) => {
          const members = of(value);
          const names = members.map(({ text }) => text).join(', ');
          return (
            <li key={value.value}>
              {value.colour ? <i style={{ background: toHex(value.colour) }} aria-hidden="true" /> : null}
              <span>
                <code>{value.colour ? toHex(value.colour) : value.value}</code> ×{value.members.length}
                <small title={names}>{names}</small>
              </span>
              <Button
                size="s"
                variant="quiet"
                disabled={!members.length}
                title="As an exception: what you set then is for these alone"
                onClick={() =>
                  onApart({
                    id: crypto.randomUUID(),
                    name: names.slice(0, LONGEST_NAME) || part.label,
                    part: part.name,
                    members: members.map(({ selector }) => selector),
                  })
                }
              >
                Set alone
              </Button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
