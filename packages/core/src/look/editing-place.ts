/** Where in the look one is editing, besides the state: what of page, width and scheme, and whose. */
export interface EditingPlace {
  readonly exception?: string | undefined;
  readonly page?: string | undefined;
  readonly viewport?: 'medium' | 'narrow' | undefined;
  readonly scheme?: 'dark' | undefined;
}
