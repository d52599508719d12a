declare module 'html-encoding-sniffer' {
  /** The canonical name of the encoding that a browser would decode the bytes with. */
  export default function sniffEncoding(
    bytes: Uint8Array,
    options?: { transportLayerEncodingLabel?: string; defaultEncoding?: string; xml?: boolean },
  ): string;
}
