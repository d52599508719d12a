import type { Row } from '@retoque/core';

/** Width and style with which the edges of a row of colours are drawn; undefined for rows of other colours. */
export function lineFor({ properties }: Pick<Row, 'properties'>): Readonly<Record<string, string>> | undefined {
  const stems = properties.flatMap((property) => /^(border-[a-z]+|outline)-color$/.exec(property)?.[1] ?? []);
  if (!stems.length || stems.length !== properties.length) return undefined;
  return Object.fromEntries(
    stems.flatMap((stem) => [
      [`${stem}-width`, '1px'],
      [`${stem}-style`, 'solid'],
    ]),
  );
}
