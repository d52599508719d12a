import { History as HistoryIcon } from 'lucide-react';
import { useState } from 'react';
import { late } from '../../shell/late';
import { PopMenu } from '../../shell/PopMenu';
import { Button } from '../../theme/Button';
import type { History } from './history';

const HistorySteps = late(() => import('./HistorySteps'));

/** Every step of this sitting by name, the newest first; one click goes back or forth to it. */
export function HistoryMenu({
  past,
  future,
  onGo,
}: Pick<History, 'past' | 'future'> & { onGo: (steps: number) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <PopMenu
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button variant="barQuiet" size="icon" aria-label="History" title="History">
          <HistoryIcon aria-hidden="true" />
        </Button>
      }
      title="History"
      width="330px"
      testId="history"
    >
      {open ? <HistorySteps past={past} future={future} onGo={onGo} /> : null}
    </PopMenu>
  );
}
