import { printQuantity, quantityText, readQuantity, stepQuantity, type RowAmount } from '@retoque/core';

/** A number so many steps on, as text; undefined for what is no number. */
export function stepText(text: string, steps: number, amount: RowAmount): string | undefined {
  const quantity = readQuantity(text) ?? readQuantity(quantityText(text, amount.unit));
  if (!quantity) return undefined;
  // Nothing has no unit, and becomes something of the field's own.
  const whole = quantity.unit === '' ? { ...quantity, unit: amount.unit } : quantity;
  const { least, most, step } = amount;
  return printQuantity(
    stepQuantity(whole, steps, {
      ...(least === undefined ? {} : { least }),
      ...(most === undefined ? {} : { most }),
      step: whole.unit === amount.unit ? step : undefined,
    }),
  );
}
