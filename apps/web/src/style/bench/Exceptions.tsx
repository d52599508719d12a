import type { Exception, Look } from '@retoque/core';
import { UserRoundPlus } from 'lucide-react';
import { useState } from 'react';
import type { ComponentRef } from '../../engine/protocol';
import { late } from '../../shell/late';
import { PopMenu } from '../../shell/PopMenu';
import { Button } from '../../theme/Button';

const ExceptionChoices = late(() => import('./ExceptionChoices'));

/** Makes a few members of a part differ: one item of a menu, one card of three. */
export function Exceptions({
  component,
  part,
  partLabel,
  reach,
  look,
  taken,
  onAdd,
  onRemove,
  onSplit,
}: {
  component: ComponentRef;
  part: string;
  partLabel: string;
  reach: number;
  look: Look;
  /** Names and labels that parts have already. */
  taken: ReadonlySet<string>;
  onAdd: (exception: Exception) => void;
  onRemove: (exception: Exception) => void;
  /** Keeps a look that has a part more, of this name. */
  onSplit: (change: (look: Look) => Look, name: string) => void;
}) {
  const [open, setOpen] = useState(false);
  const hasOwn = look.exceptions.some((exception) => exception.part === part);
  if (reach < 2 && !hasOwn) return null;
  return (
    <PopMenu
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button variant="quiet" size="s" title={`Let one ${partLabel.toLowerCase()} differ from the rest`}>
          <UserRoundPlus aria-hidden="true" />
          Exception
        </Button>
      }
      title={`${partLabel}: which differ from the rest?`}
      width="320px"
    >
      {open ? (
        <ExceptionChoices
          component={component}
          part={part}
          look={look}
          taken={taken}
          onSplit={(change, name) => {
            onSplit(change, name);
            setOpen(false);
          }}
          onAdd={(exception) => {
            onAdd(exception);
            setOpen(false);
          }}
          onRemove={onRemove}
        />
      ) : null}
    </PopMenu>
  );
}
