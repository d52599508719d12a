/** What a visitor's browser would remember, for as long as the preview is open. */
export class PreviewMemory {
  private readonly texts = new Map<string, { readonly text: string; readonly until: number }>();

  keep = (key: string, text: string, until = Infinity): void => void this.texts.set(key, { text, until });

  kept = (key: string, now: number): string | undefined => {
    const known = this.texts.get(key);
    return known && known.until > now ? known.text : undefined;
  };

  forget(): void {
    this.texts.clear();
  }
}
