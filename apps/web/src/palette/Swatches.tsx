import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { SWATCHES_AS, writeTokens, type Swatch, type SwatchesAs } from '@retoque/core';
import { Download, Plus } from 'lucide-react';
import { useState } from 'react';
import { saveFile } from '../shell/save-file';
import { Segments } from '../shell/Segments';
import { Button } from '../theme/Button';
import { AddColours } from './AddColours';
import { ColourBlock } from './Swatch';
import { SwatchEditor } from './SwatchEditor';
import type { PaletteParts } from './own';
import { shortColour } from './words';

const Card = chakra('button', {
  base: {
    display: 'block',
    width: '100%',
    textAlign: 'left',
    bg: 'card',
    border: '1px solid {colors.line}',
    borderRadius: 'l',
    padding: '8px',
    cursor: 'pointer',
    _hover: { borderColor: 'edge' },
    '&[aria-pressed=true]': { borderColor: 'accent', boxShadow: '0 0 0 1px {colors.accent}' },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '2px' },
  },
});

const AS_WORDS: Readonly<Record<SwatchesAs, { readonly label: string; readonly hint: string }>> = {
  literals: { label: 'Plain colours', hint: 'The CSS that you take home names each colour itself: color: #0b5563' },
  properties: {
    label: 'Custom properties',
    hint: 'The CSS that you take home names them: color: var(--quay-blue, #0b5563)',
  },
};

/** The colours of the palette, each to be looked at and changed. */
export function Swatches({
  site,
  palette,
  pages,
  busy,
  onChange,
  onFind,
}: PaletteParts & { onFind: (css: string) => void }) {
  const [adding, setAdding] = useState(false);
  const [picked, setPicked] = useState<string>();
  const { swatches, handedOverAs } = palette;
  const current = swatches.find(({ id }) => id === picked);
  const add = (next: readonly Swatch[], words: string) => onChange({ swatches: next, handedOverAs }, words);
  return (
    <>
      <Flex gap="10px" flexWrap="wrap" alignItems="center" mb="16px">
        <Button variant="solid" onClick={() => setAdding(true)}>
          <Plus aria-hidden="true" />
          Add colours
        </Button>
        {swatches.length ? (
          <>
            <Button
              title="A file of W3C design tokens, for design tools"
              onClick={() =>
                saveFile(new Blob([writeTokens(swatches)], { type: 'application/json' }), 'palette.tokens.json')
              }
            >
              <Download aria-hidden="true" />
              Export tokens
            </Button>
            <Flex ml="auto" gap="9px" alignItems="center" color="ink2">
              <span id="handed-over-as">Handed over as</span>
              <Segments
                label="Handed over as"
                value={handedOverAs}
                choices={SWATCHES_AS.map((value) => ({ value, ...AS_WORDS[value] }))}
                onChange={(value) =>
                  void onChange(
                    { swatches, handedOverAs: value },
                    `Handed over as ${AS_WORDS[value].label.toLowerCase()}`,
                  )
                }
              />
            </Flex>
          </>
        ) : null}
      </Flex>
      {swatches.length ? (
        <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 330px' }} gap="22px" alignItems="start">
          <Grid
            as="ul"
            listStyleType="none"
            templateColumns="repeat(auto-fill, minmax(142px, 1fr))"
            gap="10px"
            aria-label="Colours"
          >
            {swatches.map(({ id, name, css }) => (
              <Box as="li" key={id}>
                <Card
                  type="button"
                  aria-pressed={id === picked}
                  onClick={() => setPicked(id === picked ? undefined : id)}
                >
                  <ColourBlock css={css} size="62px" wide />
                  <Box
                    as="b"
                    display="block"
                    fontWeight={600}
                    mt="7px"
                    overflow="hidden"
                    textOverflow="ellipsis"
                    whiteSpace="nowrap"
                    title={name}
                  >
                    {name}
                  </Box>
                  <Box as="code" fontFamily="mono" fontSize="11.5px" color="ink2">
                    {shortColour(css)}
                  </Box>
                </Card>
              </Box>
            ))}
          </Grid>
          {current ? (
            <SwatchEditor
              key={`${current.id} ${palette.revision}`}
              {...{ site, palette, pages, busy, onChange }}
              swatch={current}
              onFind={onFind}
            />
          ) : (
            <Box color="ink2" bg="sheet" borderRadius="l" padding="16px 18px" border="1px solid {colors.line}">
              Choose a colour to change it, to give it another name, or to see it in steps from light to dark.
            </Box>
          )}
        </Grid>
      ) : (
        <Box bg="card" border="1px dashed {colors.edge}" borderRadius="xl" padding="40px 32px" textAlign="center">
          <Box fontSize="16px" fontWeight={650} mb="6px">
            No colours yet
          </Box>
          <Box color="ink2" maxWidth="58ch" mx="auto">
            Take those that the site uses already, paste a list, bring a file of design tokens, or begin with one colour
            of your brand.
          </Box>
        </Box>
      )}
      {adding ? <AddColours {...{ site, palette, pages }} onAdd={add} onClose={() => setAdding(false)} /> : null}
    </>
  );
}
