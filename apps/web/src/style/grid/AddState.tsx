import { Plus } from 'lucide-react';
import { useState } from 'react';
import { late } from '../../shell/late';
import { PopMenu } from '../../shell/PopMenu';
import { Button } from '../../theme/Button';

const StateChoices = late(() => import('./StateChoices'));

/** Adds a column for a combined state, such as current + hover, or takes an added one away. */
export function AddState({
  added,
  known,
  onChange,
}: {
  added: readonly string[];
  /** Names of the columns there are. */
  known: readonly string[];
  onChange: (added: readonly string[]) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <PopMenu
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button variant="quiet" size="icon" aria-label="Add a state" title="Add a column for states that hold together">
          <Plus aria-hidden="true" />
        </Button>
      }
      title="States that hold together"
      width="250px"
    >
      {open ? <StateChoices added={added} known={known} onChange={onChange} onDone={() => setOpen(false)} /> : null}
    </PopMenu>
  );
}
