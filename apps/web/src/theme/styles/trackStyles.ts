/** Styles of all tracks within an element. */
export const trackStyles = {
  '& .track': {
    display: 'grid',
    gridTemplateColumns: '64px 1fr 42px',
    columnGap: '8px',
    alignItems: 'center',
    marginBottom: '7px',
  },
  '& .track .label': { color: 'ink2' },
  '& .track .shown': { fontFamily: 'mono', fontSize: '11.5px', textAlign: 'right' },
  '& .track .bar': {
    height: '16px',
    borderRadius: 's',
    position: 'relative',
    cursor: 'pointer',
    touchAction: 'none',
    boxShadow: 'inset 0 0 0 1px rgba(0,0,0,.12)',
  },
  '& .track .thumb': {
    position: 'absolute',
    top: '-3px',
    width: '8px',
    height: '22px',
    marginLeft: '-4px',
    bg: 'white',
    border: '1.5px solid {colors.ink}',
    borderRadius: 's',
  },
  '& .track .thumb:focus-visible': { outline: '2px solid {colors.accent}', outlineOffset: '2px' },
  '& .track .passing': {
    gridColumn: 2,
    height: '3px',
    position: 'relative',
    marginTop: '5px',
    backgroundImage: 'repeating-linear-gradient(90deg, {colors.dotted} 0 2px, transparent 2px 5px)',
  },
  '& .track .passing i': { position: 'absolute', top: 0, height: '3px', minWidth: '3px', bg: 'ink' },
} as const;
