import { defineSemanticTokens } from '@chakra-ui/react';

/** A colour in the light and in the dark interface. */
const pair = (light: string, dark: string) => ({ value: { base: light, _dark: dark } });

/**
 * Neutral greys, so that an owner's colours are judged without a cast; one accent; a short check has a colour of its
 * own beside its shape and words.
 */
export const colours = defineSemanticTokens({
  colors: {
    ground: pair('#e4e4e2', '#161718'),
    sheet: pair('#f6f6f4', '#1e1f20'),
    sheetHover: pair('#eeeeec', '#292b2c'),
    card: pair('#ffffff', '#232526'),
    cardSoft: pair('#fbfbfa', '#27292a'),
    line: pair('#d0d0cc', '#3d4042'),
    lineSoft: pair('#e6e6e3', '#303334'),
    stripe: pair('#f7f7f5', '#2a2c2d'),
    edge: pair('#83868a', '#7c8084'),
    ink: pair('#1d1e1f', '#eceded'),
    ink2: pair('#4c4f51', '#b9bcbe'),
    ink3: pair('#5f6365', '#a2a6a8'),
    /** The bar at the top is dark in both. */
    bar: pair('#1d1e1f', '#0c0d0d'),
    barText: pair('#c3c5c6', '#c3c5c6'),
    barFaint: pair('#8d9092', '#8d9092'),
    barEdge: pair('#6a6d6f', '#6a6d6f'),
    barHover: pair('#303234', '#2a2c2e'),
    barPressed: pair('#3d4042', '#37393b'),
    accent: pair('#0b5563', '#6cbccb'),
    accentHover: pair('#0a4551', '#86cbd8'),
    accentPressed: pair('#083942', '#9dd7e1'),
    onAccent: pair('#ffffff', '#0c1f24'),
    accentSoft: pair('#e7f1f2', '#1d3338'),
    accentInk: pair('#0a4551', '#bfe3ea'),
    picked: pair('#eef5f6', '#22373c'),
    selection: pair('#bcd9dd', '#2c5c66'),
    lamp: pair('#e9c46a', '#e9c46a'),
    short: pair('#a8321a', '#f08b70'),
    shortHover: pair('#8f2914', '#f4a48e'),
    onShort: pair('#ffffff', '#2b0d05'),
    shortSoft: pair('#fbeae4', '#3b211a'),
    shortInk: pair('#7c2310', '#f8c4b5'),
    unsure: pair('#6b4e00', '#e3bd5e'),
    unsureEdge: pair('#b58a1c', '#b58a1c'),
    unsureSoft: pair('#fbf3dc', '#352c15'),
    borderGround: pair('#e9e9e5', '#2e3031'),
    dotted: pair('#b9b9b5', '#5b5f61'),
    gaugeFrom: pair('#dddddd', '#3a3d3e'),
    gaugeTo: pair('#bbbbbb', '#55595b'),
    /** Over owners' pages, which have a scheme of their own. */
    overPage: pair('#0b5563', '#0b5563'),
    overPageShort: pair('#a8321a', '#a8321a'),
    /** A thin edge around a colour of the owner's, which may be any. */
    swatchEdge: pair('rgba(0, 0, 0, .22)', 'rgba(255, 255, 255, .3)'),
    veil: pair('rgba(246, 246, 244, .88)', 'rgba(30, 31, 32, .88)'),
  },
  shadows: {
    lift: pair(
      '0 1px 2px rgba(20, 20, 20, .08), 0 6px 22px rgba(20, 20, 20, .08)',
      '0 1px 2px rgba(0, 0, 0, .5), 0 6px 22px rgba(0, 0, 0, .4)',
    ),
    over: pair(
      '0 2px 6px rgba(20, 20, 20, .14), 0 24px 60px rgba(20, 20, 20, .26)',
      '0 2px 6px rgba(0, 0, 0, .5), 0 24px 60px rgba(0, 0, 0, .6)',
    ),
  },
});
