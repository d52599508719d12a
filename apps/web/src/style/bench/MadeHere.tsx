import type { PageChangeRecord } from '@retoque/contract';
import { isTurned } from '../../anew/change-of';
import { Notice } from '../../shell/Notice';
import { Button } from '../../theme/Button';

const MADE = {
  told: 'Made here, and not on your site yet: its HTML comes with the CSS when you hand over.',
  back: 'Take it off the page',
};
const TURNED = {
  told: 'Text on your site, and a real control here: the HTML comes with the CSS when you hand over.',
  back: 'Back to text',
};
const WORDED = {
  told: 'Worded otherwise than on your site: the HTML comes with the CSS when you hand over.',
  back: 'Back to the site’s wording',
};

/** Says that the component is not on the site yet, or is worded otherwise there, and takes that back. */
export default function MadeHere({
  changes,
  busy,
  onTakeBack,
}: {
  /** The newest first. */
  changes: readonly PageChangeRecord[];
  busy: boolean;
  /** @param leave true where the component goes with it */
  onTakeBack: (changes: readonly PageChangeRecord[], leave: boolean) => void;
}) {
  const [newest] = changes;
  const isNew = newest!.kind !== null;
  const words = isNew ? MADE : isTurned(newest!) ? TURNED : WORDED;
  return (
    <div className="note" data-testid="made-here">
      <Notice>
        {words.told}{' '}
        <Button variant="quiet" size="s" disabled={busy} onClick={() => onTakeBack(changes, isNew)}>
          {words.back}
        </Button>
      </Notice>
    </div>
  );
}
