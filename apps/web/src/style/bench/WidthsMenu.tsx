import type { Bounds } from '@retoque/contract';
import { Settings2 } from 'lucide-react';
import { useState } from 'react';
import { late } from '../../shell/late';
import { PopMenu } from '../../shell/PopMenu';
import { Button } from '../../theme/Button';

const WidthsForm = late(() => import('./WidthsForm'));

/** The widths up to which the medium and the narrow viewport's settings hold, for the whole site. */
export function WidthsMenu({ siteId, bounds }: { siteId: string; bounds: Bounds }) {
  const [open, setOpen] = useState(false);
  return (
    <PopMenu
      open={open}
      onOpenChange={setOpen}
      trigger={
        <Button variant="quiet" size="icon" aria-label="Widths of this site" title="Widths of this site">
          <Settings2 aria-hidden="true" />
        </Button>
      }
      title="Widths of this site"
      width="270px"
    >
      {open ? <WidthsForm siteId={siteId} bounds={bounds} onDone={() => setOpen(false)} /> : null}
    </PopMenu>
  );
}
