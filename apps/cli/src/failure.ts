/** Something the user has to mend; printed as one line, with exit code 2. */
export class Failure extends Error {
  override readonly name = 'Failure';
}

/** A message on one line, whatever it was made of. */
export const oneLine = (text: string): string => text.replace(/\s+/g, ' ').trim();
