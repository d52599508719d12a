/** Where in the look one is editing, besides the state: what of page, width, scheme and motion, and whose. */
export interface EditingPlace {
  readonly exception?: string | undefined;
  readonly page?: string | undefined;
  readonly viewport?: 'medium' | 'narrow' | undefined;
  readonly scheme?: 'dark' | undefined;
  readonly motion?: 'reduced' | undefined;
}
