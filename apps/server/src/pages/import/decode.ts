import sniffEncoding from 'html-encoding-sniffer';
import { MIMEType } from 'whatwg-mimetype';

/** The text of an HTML file by the encoding that a browser would find (WHATWG HTML, section 13.2.3). */
export function decodeHtml(bytes: Buffer, contentType: string | undefined): string {
  const charset = contentType ? MIMEType.parse(contentType)?.parameters.get('charset') : undefined;
  const encoding = sniffEncoding(bytes, charset ? { transportLayerEncodingLabel: charset } : {});
  return new TextDecoder(encoding).decode(bytes);
}

/** CSS Syntax 3, section 3.2: byte order mark, transport, @charset, else UTF-8. */
export function decodeCss(bytes: Buffer, contentType: string | undefined): string {
  let label = 'utf-8';
  const rule = /^@charset "([^"]{1,40})";/.exec(bytes.subarray(0, 64).toString('latin1'));
  if (rule) label = /^utf-16/i.test(rule[1]!) ? 'utf-8' : rule[1]!;
  try {
    const charset = contentType ? MIMEType.parse(contentType)?.parameters.get('charset') : undefined;
    return new TextDecoder(charset ?? label).decode(bytes);
  } catch {
    return new TextDecoder().decode(bytes);
  }
}

export const isHtmlType = (contentType: string | undefined): boolean =>
  contentType === undefined || /^\s*(text\/html|application\/xhtml\+xml|text\/plain)\b/i.test(contentType);

/** True when bytes can be read as HTML at all: text, with at least one tag in it. */
export function looksLikeHtml(bytes: Buffer): boolean {
  const head = bytes.subarray(0, 4096);
  // UTF-16 has zero bytes; anything else with them is no text.
  const utf16 = (head[0] === 0xff && head[1] === 0xfe) || (head[0] === 0xfe && head[1] === 0xff);
  if (!utf16 && head.includes(0)) return false;
  const text = decodeHtml(bytes, undefined);
  return /<(?:!doctype|html|head|body|[a-z][a-z0-9-]*)[\s>/]/i.test(text);
}
