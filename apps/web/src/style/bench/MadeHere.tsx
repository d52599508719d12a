import type { PageChangeRecord } from '@retoque/contract';
import { Notice } from '../../shell/Notice';
import { Button } from '../../theme/Button';

/** Says that the component is not on the site yet, or is worded otherwise there, and takes that back. */
export default function MadeHere({
  change,
  busy,
  onTakeBack,
}: {
  change: PageChangeRecord;
  busy: boolean;
  /** @param leave true where the component goes with it */
  onTakeBack: (change: PageChangeRecord, leave: boolean) => void;
}) {
  const isNew = change.kind !== null;
  return (
    <div className="note" data-testid="made-here">
      <Notice>
        {isNew
          ? 'Made here, and not on your site yet: its HTML comes with the CSS when you hand over.'
          : 'Worded otherwise than on your site: the HTML comes with the CSS when you hand over.'}{' '}
        <Button variant="quiet" size="s" disabled={busy} onClick={() => onTakeBack(change, isNew)}>
          {isNew ? 'Take it off the page' : 'Back to the site’s wording'}
        </Button>
      </Notice>
    </div>
  );
}
