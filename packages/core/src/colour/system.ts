/**
 * System colours (CSS Color 4, section 6.2) as Chromium on Linux resolves them in the light scheme.
 * Lower-case names; values are hex.
 */
export const SYSTEM_COLOURS: Readonly<Record<string, string>> = {
  accentcolor: '#1a73e8',
  accentcolortext: '#ffffff',
  activetext: '#ff0000',
  buttonborder: '#000000',
  buttonface: '#efefef',
  buttontext: '#000000',
  canvas: '#ffffff',
  canvastext: '#000000',
  field: '#ffffff',
  fieldtext: '#000000',
  graytext: '#808080',
  highlight: '#b5d5ff',
  highlighttext: '#000000',
  linktext: '#0000ee',
  mark: '#ffff00',
  marktext: '#000000',
  selecteditem: '#1a73e8',
  selecteditemtext: '#ffffff',
  visitedtext: '#551a8b',
};
