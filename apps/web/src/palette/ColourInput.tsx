import { Box, Field, Input } from '@chakra-ui/react';
import { colourAsSaid, parseColour } from '@retoque/core';
import { useState } from 'react';
import { ColourBlock } from './Swatch';

/** A colour as it is typed, with a field of it; what is none is named, and kept as it was typed. */
export function ColourInput({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  /** @param css undefined while the text is no colour */
  onChange: (text: string, css: string | undefined) => void;
}) {
  const [left, setLeft] = useState(false);
  const said = colourAsSaid(value);
  const isColour = parseColour(said) !== undefined;
  return (
    <Field.Root invalid={left && value.trim() !== '' && !isColour}>
      <Field.Label fontWeight={550}>{label}</Field.Label>
      <Box display="flex" gap="8px" alignItems="center" width="100%">
        <ColourBlock css={isColour ? said : 'transparent'} size="32px" />
        <Input
          fontFamily="mono"
          fontSize="12.5px"
          placeholder="#0b5563"
          spellCheck={false}
          autoComplete="off"
          value={value}
          onBlur={() => setLeft(true)}
          onChange={(event) => {
            const text = event.target.value;
            const css = colourAsSaid(text);
            onChange(text, parseColour(css) ? css : undefined);
          }}
        />
      </Box>
      <Field.ErrorText color="short" fontSize="12.5px">
        “{value}” is not a CSS colour. Try a name, #0b5563, rgb(11 85 99) or oklch(0.4 0.07 214).
      </Field.ErrorText>
    </Field.Root>
  );
}
