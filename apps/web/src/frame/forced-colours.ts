import { makeSheet, putSheets } from './frame-sheets';

/**
 * What a browser does to a page in forced colours (CSS Color Adjustment 1, section 3.1), with the system's colours as
 * they are here; a page in a frame cannot be put into that mode itself.
 */
const FORCED = `:root:root:root *, :root:root:root { color: CanvasText !important; background-color: Canvas !important;
  border-color: CanvasText !important; outline-color: CanvasText !important; text-shadow: none !important; box-shadow: none !important;
  fill: CanvasText; accent-color: auto !important; text-decoration-color: currentcolor !important }
:root:root:root :is(a:any-link, a:any-link *) { color: LinkText !important }
:root:root:root :is(button, [type=button], [type=submit], [type=reset], select) { color: ButtonText !important; background-color: ButtonFace !important; border-color: ButtonBorder !important }
:root:root:root :is(button, select):disabled { color: GrayText !important }
:root:root:root :is(input, textarea) { color: FieldText !important; background-color: Field !important }
:root:root:root * { background-image: none !important }`;

/** Shows a frame's page in forced colours, or as it is. */
export function forceColours(document: Document, forced: boolean): void {
  const sheet = forced ? makeSheet(document, FORCED) : undefined;
  putSheets(document, 'forced', sheet ? [sheet] : []);
}
