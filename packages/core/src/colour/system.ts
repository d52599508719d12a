import { lookup } from '../base/lookup.js';
type Pair = readonly [light: string, dark: string];

/**
 * System colours (CSS Color 4, sections 6.2 and A.1) as Chromium on Linux resolves them, in the light and in the dark
 * scheme. Lower-case names; values are rgb() text. Read off Chromium 156.
 */
const COLOURS: Readonly<Record<string, Pair>> = lookup({
  accentcolor: ['rgb(0, 117, 255)', 'rgb(0, 117, 255)'],
  accentcolortext: ['rgb(255, 255, 255)', 'rgb(255, 255, 255)'],
  activetext: ['rgb(255, 0, 0)', 'rgb(255, 0, 0)'],
  buttonborder: ['rgb(0, 0, 0)', 'rgb(255, 255, 255)'],
  buttonface: ['rgb(239, 239, 239)', 'rgb(107, 107, 107)'],
  buttontext: ['rgb(0, 0, 0)', 'rgb(255, 255, 255)'],
  canvas: ['rgb(255, 255, 255)', 'rgb(18, 18, 18)'],
  canvastext: ['rgb(0, 0, 0)', 'rgb(255, 255, 255)'],
  field: ['rgb(255, 255, 255)', 'rgb(59, 59, 59)'],
  fieldtext: ['rgb(0, 0, 0)', 'rgb(255, 255, 255)'],
  graytext: ['rgb(128, 128, 128)', 'rgb(128, 128, 128)'],
  highlight: ['rgba(0, 65, 198, 0.8)', 'rgba(0, 65, 198, 0.8)'],
  highlighttext: ['rgb(255, 255, 255)', 'rgb(255, 255, 255)'],
  linktext: ['rgb(0, 0, 238)', 'rgb(158, 158, 255)'],
  mark: ['rgb(255, 255, 0)', 'rgb(255, 255, 0)'],
  marktext: ['rgb(0, 0, 0)', 'rgb(0, 0, 0)'],
  selecteditem: ['rgb(25, 103, 210)', 'rgb(153, 200, 255)'],
  selecteditemtext: ['rgb(255, 255, 255)', 'rgb(59, 59, 59)'],
  visitedtext: ['rgb(85, 26, 139)', 'rgb(208, 173, 240)'],
  '-webkit-focus-ring-color': ['rgb(16, 16, 16)', 'rgb(238, 238, 238)'],
});

/** Older names, each standing for a newer one (CSS Color 4, appendix A). */
const OLDER: Readonly<Record<string, string>> = lookup({
  activeborder: 'buttonborder',
  activecaption: 'canvas',
  appworkspace: 'canvas',
  background: 'canvas',
  buttonhighlight: 'buttonface',
  buttonshadow: 'buttonface',
  captiontext: 'canvastext',
  inactiveborder: 'buttonborder',
  inactivecaption: 'canvas',
  inactivecaptiontext: 'graytext',
  infobackground: 'canvas',
  infotext: 'canvastext',
  menu: 'canvas',
  menutext: 'canvastext',
  scrollbar: 'canvas',
  threeddarkshadow: 'buttonborder',
  threedface: 'buttonface',
  threedhighlight: 'buttonborder',
  threedlightshadow: 'buttonborder',
  threedshadow: 'buttonborder',
  window: 'canvas',
  windowframe: 'buttonborder',
  windowtext: 'canvastext',
  '-webkit-link': 'linktext',
  '-webkit-activelink': 'activetext',
  '-webkit-text': 'canvastext',
});

/** The value of a system colour as rgb() text; undefined for any other word. */
export function systemColour(name: string, scheme: 'light' | 'dark' = 'light'): string | undefined {
  return COLOURS[OLDER[name] ?? name]?.[scheme === 'dark' ? 1 : 0];
}

export const isSystemColour = (name: string): boolean => COLOURS[OLDER[name] ?? name] !== undefined;
