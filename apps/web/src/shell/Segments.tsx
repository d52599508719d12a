import { chakra } from '@chakra-ui/react';

const Frame = chakra('div', {
  base: {
    display: 'inline-flex',
    border: '1px solid {colors.line}',
    borderRadius: 'm',
    bg: 'sheet',
    overflow: 'hidden',
  },
});
const Choice = chakra('button', {
  base: {
    padding: '4px 9px',
    fontSize: '12.5px',
    color: 'ink2',
    cursor: 'pointer',
    whiteSpace: 'nowrap',
    '& + &': { borderLeft: '1px solid {colors.line}' },
    _hover: { color: 'ink', bg: 'lineSoft' },
    '&[aria-pressed=true]': { bg: 'card', color: 'ink', fontWeight: 600 },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '-2px' },
  },
});

/** A few choices of which one holds, side by side. */
export function Segments<T extends string>({
  label,
  value,
  choices,
  onChange,
}: {
  label: string;
  value: T;
  choices: readonly { readonly value: T; readonly label: string; readonly hint?: string }[];
  onChange: (value: T) => void;
}) {
  return (
    <Frame role="group" aria-label={label}>
      {choices.map((choice) => (
        <Choice
          key={choice.value}
          type="button"
          aria-pressed={choice.value === value}
          title={choice.hint}
          onClick={() => onChange(choice.value)}
        >
          {choice.label}
        </Choice>
      ))}
    </Frame>
  );
}
