import { VISION_MATRICES, VISIONS, type Vision } from '@retoque/core';
import { makeSheet, putSheets } from './frame-sheets';

/** How pages are seen: by people who see colours differently, in grey, or with the system's own colours forced. */
export type SeenAs = Vision | 'forced';

export const SEEN_AS: readonly { readonly value: SeenAs; readonly label: string }[] = [
  { value: 'protan', label: 'Without red cones (protan)' },
  { value: 'deutan', label: 'Without green cones (deutan)' },
  { value: 'tritan', label: 'Without blue cones (tritan)' },
  { value: 'grey', label: 'In grey' },
  { value: 'forced', label: 'With forced colours' },
];

const GREY = [0.2126, 0.7152, 0.0722];
const matrixOf = (vision: Vision): readonly number[] =>
  vision === 'grey' ? [...GREY, ...GREY, ...GREY] : VISION_MATRICES[vision];

/** Rows of four colours and an offset, as SVG wants them. */
const values = (vision: Vision): string => {
  const m = matrixOf(vision);
  const row = (i: number) => `${m.slice(i, i + 3).join(' ')} 0 0`;
  return `${row(0)} ${row(3)} ${row(6)} 0 0 0 1 0`;
};

/** The filters that frames refer to; the same matrices as the checks are worked out with. */
export const VisionFilters = () => (
  <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
    {VISIONS.map((vision) => (
      <filter key={vision} id={`seen-${vision}`} colorInterpolationFilters="linearRGB">
        <feColorMatrix type="matrix" values={values(vision)} />
      </filter>
    ))}
  </svg>
);

export const visionFilter = (seen: SeenAs | undefined): string | undefined =>
  seen && seen !== 'forced' ? `url(#seen-${seen})` : undefined;

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
