import { Button } from '../../theme/Button';
import { columnLabel } from '../look/cells';

/** Says that the site's rule for a changed state serves others too, and offers to set these as well. */
export default function SharedRule({
  columns,
  onTake,
}: {
  columns: readonly string[];
  onTake: (columns: readonly string[]) => void;
}) {
  const names = columns.map(columnLabel).join(' and ');
  return (
    <div className="section shared-rule" data-testid="shared-rule">
      <p>
        One rule of your site is for this state and for {names}. {names} {columns.length === 1 ? 'keeps' : 'keep'} what
        it says.
      </p>
      <Button size="s" onClick={() => onTake(columns)}>
        Set {names} too
      </Button>
    </div>
  );
}
