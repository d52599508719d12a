/** What stands beside a view of the whole site: what would be done, and the components that it would be done to. */
export const asideStyles = {
  width: { base: '100%', lg: '350px' },
  flexShrink: 0,
  bg: 'sheet',
  border: '1px solid {colors.line}',
  borderRadius: 'l',
  padding: '16px 18px',
  '& h2': { fontSize: '15px', fontWeight: 650, marginBottom: '10px' },
  '& .quiet': { color: 'ink2', marginTop: '12px' },
  '& ul.components': {
    listStyle: 'none',
    margin: '12px 0',
    maxHeight: '300px',
    overflowY: 'auto',
    borderTop: '1px solid {colors.lineSoft}',
  },
  '& li label': {
    display: 'flex',
    gap: '9px',
    alignItems: 'flex-start',
    padding: '6px 0',
    cursor: 'pointer',
    borderBottom: '1px solid {colors.lineSoft}',
  },
  '& li b': { display: 'block', fontWeight: 600 },
  '& li small': { color: 'ink2', fontSize: '12px' },
  '& input[type=checkbox]': { accentColor: '{colors.accent}', width: '16px', height: '16px', marginTop: '1px' },
};
