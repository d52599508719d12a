/** The file that an address holds itself. */
export interface DataFile {
  readonly bytes: Uint8Array;
  readonly contentType: string;
}

/**
 * Reads a data: address (RFC 2397, as the Fetch standard processes it).
 *
 * @returns undefined where it holds nothing that can be read
 */
export async function readData(address: string): Promise<DataFile | undefined> {
  if (!/^data:/i.test(address)) return undefined;
  try {
    const answer = await fetch(address);
    const bytes = new Uint8Array(await answer.arrayBuffer());
    return { bytes, contentType: answer.headers.get('content-type') ?? '' };
  } catch {
    return undefined;
  }
}
