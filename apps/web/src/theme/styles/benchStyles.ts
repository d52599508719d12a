import { editorStyles } from './editorStyles';
import { fieldStyles } from './fieldStyles';
import { frameStyles } from './frameStyles';
import { gridStyles } from './gridStyles';
import { ledgerStyles } from './ledgerStyles';
import { trackStyles } from './trackStyles';

/**
 * The look of what the Style screen draws again at every keystroke. It is said once for the whole application, and the
 * elements are plain ones: a component of the library works its styles out anew each time it is drawn.
 */
export const benchStyles = {
  '.bench': {
    display: 'grid',
    minHeight: '100%',
    gridTemplateColumns: { base: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 286px', lg: '204px minmax(0, 1fr) 300px' },
    gridTemplateRows: { base: 'auto', md: 'auto auto 1fr', lg: 'auto minmax(0, 1fr)' },
    height: { base: 'auto', lg: '100%' },
    '& > .over': { gridColumn: '1 / -1' },
    // On a tablet the list lies above, and the editor stays in sight beside the sheet.
    '& > nav': { gridColumn: { md: '1 / -1', lg: 'auto' } },
    '& > main': {
      display: 'flex',
      flexDirection: 'column',
      minWidth: 0,
      minHeight: 0,
      position: 'relative',
      isolation: 'isolate',
      overflow: { lg: 'hidden' },
    },
    // The pictures stay in sight while rows further down are edited.
    '& .in-sight': { flex: { lg: '0 1 auto' }, minHeight: 0, overflowY: { lg: 'auto' } },
    '& .rows': {
      flex: { lg: '1 0 190px' },
      minHeight: 0,
      display: 'flex',
      flexDirection: 'column',
      overflowY: { lg: 'auto' },
    },
    '& .picture-handle': {
      flexShrink: 0,
      height: '9px',
      marginTop: '-9px',
      position: 'relative',
      cursor: 'row-resize',
      touchAction: 'none',
      _after: {
        content: '""',
        position: 'absolute',
        left: 'calc(50% - 18px)',
        top: '3px',
        width: '36px',
        height: '3px',
        borderRadius: '2px',
        bg: 'edge',
      },
      _hover: { _after: { bg: 'accent' } },
      _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '-1px' },
    },
    '& .note:not(:empty)': { padding: '10px 14px 0' },
    '& .bench-head': { display: 'flex', alignItems: 'center', gap: '12px', padding: '9px 14px 8px', flexWrap: 'wrap' },
    '& .bench-head h1': { fontSize: '17px', fontWeight: 650 },
    // Where there is no room for some words, none are shown: they wrap below what holds them.
    '& .bench-head .reach': {
      color: 'ink2',
      minWidth: 0,
      flex: 1,
      height: '1.45em',
      display: 'flex',
      flexWrap: 'wrap',
      overflow: 'hidden',
      _before: { content: '""', width: '1px', height: '1.45em' },
      '& > span': {
        flex: '1 0 90px',
        minWidth: '90px',
        maxWidth: '100%',
        overflow: 'hidden',
        textOverflow: 'ellipsis',
        whiteSpace: 'nowrap',
      },
    },
    '& code': { fontFamily: 'mono', fontSize: '11.5px' },
    '& .sheet': { bg: 'card', flex: { lg: '1 0 auto' } },
    '& .below': { padding: '8px 14px 0', fontSize: '12px', color: 'ink2' },
  },
  '.frames': {
    display: 'grid',
    gridAutoFlow: 'column',
    gridAutoColumns: 'minmax(max(148px, var(--picture-height, 132px) * 1.12), 1fr)',
    gap: '8px',
    padding: '3px 14px 12px',
    overflowX: 'auto',
    flexShrink: 0,
    ...frameStyles,
    '&[data-framing=page]': { gridAutoColumns: 'minmax(270px, 1fr)', alignItems: 'start' },
    // A row for each width.
    '&[data-rows]': { gridTemplateRows: 'repeat(3, auto)', gridAutoFlow: 'column' },
  },
  '.compared': {
    display: 'grid',
    gap: '4px',
    alignContent: 'start',
    '& .line code': { flex: 1 },
    // Above it stands what it is, and its figure.
    '& .top, & .figure': { display: 'none' },
  },
  ...ledgerStyles,
  '.view-menu': {
    ...fieldStyles,
    display: 'grid',
    gap: '9px',
    '& .line': { ...fieldStyles['& .line'], flexWrap: 'wrap' },
    // A box to tick stays beside its words.
    '& label.line': { flexWrap: 'nowrap' },
    '& .line > :first-of-type:not(input)': { minWidth: '82px' },
    '& .line > [type=range]': { flex: 1, accentColor: '{colors.accent}' },
    '& .line > .end, & .line.end': { justifyContent: 'flex-end' },
    '& .ground, & [type=color]': {
      width: '26px',
      height: '26px',
      borderRadius: 'm',
      border: '1px solid {colors.edge}',
      cursor: 'pointer',
      padding: 0,
    },
    '& [aria-pressed=true]': { boxShadow: '0 0 0 2px {colors.accent}' },
    '& .quiet': { flex: 1, color: 'ink2', fontSize: '12px' },
  },
  '.state-grid': gridStyles,
  '.tracks': trackStyles,
  '.editor': editorStyles,
} as const;
