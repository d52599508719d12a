import { TOO_COSTLY, unpackField, type KnownPicture, type PageMeasures } from '@retoque/core';

/** Bytes of decoded pictures that are held; past the bound a picture is said to take too much. */
const MOST_HELD_BYTES = 600_000_000;

/** Decoded pictures by the hash of their file; several pages show the same. */
export class HeldPictures {
  private readonly fields = new Map<string, Promise<KnownPicture | undefined>>();
  private bytes = 0;

  constructor(private readonly assetBase: string) {}

  /** What is known of a stored picture; undefined where the server does not answer. */
  fieldOf(hash: string): Promise<KnownPicture | undefined> {
    const known = this.fields.get(hash);
    if (known) return known;
    const field = this.fetched(hash).catch(() => undefined);
    this.fields.set(hash, field);
    // Asked for again with the next page that shows it.
    void field.then((found) => found === undefined && this.fields.delete(hash));
    return field;
  }

  /** Gives what is known of pictures to what a page is measured with. */
  async give(
    measures: PageMeasures,
    pictures: readonly { readonly address: string; readonly hash: string }[],
  ): Promise<void> {
    await Promise.all(
      pictures.map(async ({ address, hash }) => {
        const field = await this.fieldOf(hash);
        if (field !== undefined) measures.setPicture(address, field);
      }),
    );
  }

  private async fetched(hash: string): Promise<KnownPicture | undefined> {
    const answer = await fetch(`${this.assetBase}${hash}/pixels`);
    if (answer.status === 204) return null;
    if (answer.status === 422) return TOO_COSTLY;
    return answer.ok ? this.unpackWithin(answer) : undefined;
  }

  private async unpackWithin(answer: Response): Promise<KnownPicture> {
    const bytes = new Uint8Array(await answer.arrayBuffer());
    this.bytes += bytes.length;
    return this.bytes > MOST_HELD_BYTES ? TOO_COSTLY : unpackField(bytes);
  }
}
