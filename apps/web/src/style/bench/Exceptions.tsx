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
  all,
  onAdd,
  onRemove,
}: {
  component: ComponentRef;
  part: string;
  partLabel: string;
  reach: number;
  /** Every exception of the look. */
  all: Look['exceptions'];
  onAdd: (exception: Exception) => void;
  onRemove: (exception: Exception) => void;
}) {
  const [open, setOpen] = useState(false);
  const own = all.filter((exception) => exception.part === part);
  if (reach < 2 && !own.length) return null;
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
          own={own}
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
