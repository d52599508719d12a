import type { CSSProperties } from 'react';

/** A colour handed to the sheet of styles, which paints it over a chequer. */
export const withColour = (colour: string): CSSProperties => ({ '--colour': colour }) as CSSProperties;
