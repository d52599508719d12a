import { toHex, type Cell, type Row } from '@retoque/core';
import { Button } from '../../theme/Button';
import type { CellAddress } from '../look/cells';
import { useHand } from './hand';

/** Begins to look at other values of a cell beside the one that it has. */
export function CompareValues({
  address,
  row,
  cell,
  value,
}: {
  address: CellAddress;
  row: Row;
  cell: Cell;
  /** What it has now. */
  value: string;
}) {
  const { compared } = useHand();
  const text = row.editor === 'colour' && cell.colour && cell.colour.alpha === 1 ? toHex(cell.colour) : value;
  return (
    <Button
      variant="quiet"
      size="s"
      mt="8px"
      title="See up to three values of this cell beside each other"
      onClick={() => compared.set({ address, texts: [text] })}
    >
      Try side by side
    </Button>
  );
}
