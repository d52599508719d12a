import type { Row } from '@retoque/core';
import { Button } from '../../theme/Button';
import { lineFor } from '../look/line-for';

/** Says that an edge has a colour and is not drawn, and draws it in one press. */
export default function NotDrawn({
  row,
  onDraw,
}: {
  row: Row;
  onDraw: (values: Readonly<Record<string, string>>) => void;
}) {
  const values = lineFor(row);
  if (!values) return null;
  const what = row.properties[0]!.startsWith('outline') ? 'outline' : 'border';
  return (
    <div className="section shared-rule" data-testid="not-drawn">
      <p>No {what} is drawn: it has no width.</p>
      <Button size="s" onClick={() => onDraw(values)}>
        Give it a width of 1px
      </Button>
    </div>
  );
}
