import { Box, Field, Flex, Input } from '@chakra-ui/react';
import {
  fromOklch,
  lightnessSteps,
  parseColour,
  toHex,
  TRANSPARENT,
  withSwatchesAdded,
  type Swatch,
} from '@retoque/core';
import { useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { surveyEngine } from '../engine/engine';
import { ColourTracks } from '../style/editor/ColourTracks';
import { useHeldColour } from '../style/editor/useHeldColour';
import { trackStyles } from '../theme/styles/trackStyles';
import { Button } from '../theme/Button';
import { ColourInput } from './ColourInput';
import { Effect } from '../ledger/Effect';
import { Progress } from '../ledger/Progress';
import { ColourBlock } from './Swatch';
import { usesOf, withoutSwatch } from './swatch-uses';
import { useSiteWork } from '../ledger/useSiteWork';
import type { PaletteParts } from './own';
import { counted } from '../shell/counted';

const STEPS = 9;

/** One colour of the palette: what it is called, what it is, and what another one would do. */
export function SwatchEditor({
  site,
  palette,
  pages,
  busy,
  swatch,
  onChange,
  onFind,
}: PaletteParts & { swatch: Swatch; onFind: (css: string) => void }) {
  const client = useQueryClient();
  const [name, setName] = useState(swatch.name);
  const [text, setText] = useState(swatch.css);
  const [css, setCss] = useState<string | undefined>(swatch.css);
  const { swatches, handedOverAs } = palette;
  const { shown, move, release } = useHeldColour(parseColour(css ?? swatch.css) ?? TRANSPARENT);
  const set = (next: string) => {
    setText(next);
    setCss(next);
  };
  const isOther = css !== undefined && css !== swatch.css;
  const isCalledOther = name.trim() !== swatch.name;
  const next = swatches.map((own) =>
    own.id === swatch.id ? { ...own, name: name.trim() || own.name, css: css ?? own.css } : own,
  );
  const uses = usesOf(pages.components ?? [], swatch.id);
  // Worked out once the hand rests.
  const tried = useDeferredValue(isOther && uses.values ? css : undefined);
  const effect = useSiteWork(['palette', tried], tried === undefined ? undefined : pages.at, (at, onStep) =>
    surveyEngine().tryPalette(
      at,
      { swatches: swatches.map((own) => (own.id === swatch.id ? { ...own, css: tried! } : own)), handedOverAs },
      onStep,
    ),
  );
  const steps = lightnessSteps(parseColour(css ?? swatch.css)!, STEPS).map(toHex);
  const save = () =>
    void onChange(
      { swatches: next, handedOverAs },
      isOther ? `${swatch.name}: ${swatch.css} → ${css}` : `${swatch.name} is called ${name.trim()}`,
    );
  const remove = () =>
    void onChange(
      { swatches: swatches.filter(({ id }) => id !== swatch.id), handedOverAs },
      `${swatch.name} removed`,
      uses.values ? () => withoutSwatch(client, site.id, pages.components ?? [], swatch) : undefined,
    );
  const addSteps = () => {
    const added = steps.flatMap((step, i) =>
      step === toHex(parseColour(swatch.css)!) ? [] : [{ name: `${swatch.name} ${(i + 1) * 100}`, css: step }],
    );
    void onChange(
      { swatches: withSwatchesAdded(swatches, added), handedOverAs },
      `${counted(added.length, 'step')} of ${swatch.name} added`,
    );
  };
  return (
    <Box
      as="aside"
      aria-label="Colour in hand"
      bg="sheet"
      border="1px solid {colors.line}"
      borderRadius="l"
      padding="16px 18px"
      display="grid"
      gap="14px"
      position={{ lg: 'sticky' }}
      top="16px"
      css={styles}
    >
      <Field.Root invalid={!name.trim()}>
        <Field.Label fontWeight={550}>Name</Field.Label>
        <Input value={name} maxLength={60} onChange={(event) => setName(event.target.value)} />
        <Field.ErrorText color="short">Give the colour a name.</Field.ErrorText>
      </Field.Root>
      <Box>
        <ColourTracks
          colour={shown}
          passing={undefined}
          onChange={(part) => set(toHex(fromOklch(move(part))))}
          onFinish={release}
        />
        <ColourInput
          label="Colour"
          value={text}
          onChange={(typed, colour) => {
            setText(typed);
            setCss(colour);
          }}
        />
      </Box>
      <Box>
        <Flex alignItems="baseline" justifyContent="space-between" mb="5px">
          <span className="head">From light to dark</span>
          <Button size="s" variant="quiet" onClick={addSteps} disabled={busy}>
            Add these to the palette
          </Button>
        </Flex>
        <Flex gap="3px" role="group" aria-label="Steps">
          {steps.map((step) => (
            <button
              key={step}
              type="button"
              className="step"
              title={step}
              aria-label={`Take ${step}`}
              style={{ background: step }}
              onClick={() => set(step)}
            />
          ))}
        </Flex>
      </Box>
      {isOther ? (
        <Box>
          <Flex gap="8px" alignItems="center" mb="8px" fontFamily="mono" fontSize="12px">
            <ColourBlock css={swatch.css} /> {swatch.css} → <ColourBlock css={css} /> {css}
          </Flex>
          {!uses.values ? (
            <Box color="ink2">No look names it yet, so nothing on the site changes.</Box>
          ) : effect.data && tried === css ? (
            <Effect effects={effect.data} />
          ) : effect.error ? (
            <Box color="short">{effect.error.message}</Box>
          ) : (
            <Progress words="Measuring what it would change…" {...effect.progress} />
          )}
        </Box>
      ) : (
        <Flex alignItems="center" justifyContent="space-between" gap="10px" color="ink2">
          <span>
            {uses.values
              ? `Named by ${counted(uses.values, 'value')} in ${counted(uses.components.length, 'component')}.`
              : 'No look names it yet.'}
          </span>
          <Button size="s" variant="quiet" onClick={() => onFind(swatch.css)}>
            Where is it used?
          </Button>
        </Flex>
      )}
      <Flex gap="8px" justifyContent="space-between">
        <Button variant="quiet" disabled={busy} onClick={remove}>
          Remove
        </Button>
        <Button
          variant="solid"
          disabled={busy || css === undefined || !name.trim() || (!isOther && !isCalledOther)}
          onClick={save}
        >
          {isOther && uses.values ? 'Change it everywhere' : 'Save'}
        </Button>
      </Flex>
    </Box>
  );
}

const styles = {
  ...trackStyles,
  '& .head': { fontWeight: 550 },
  '& .step': {
    flex: 1,
    height: '26px',
    borderRadius: 's',
    cursor: 'pointer',
    boxShadow: 'inset 0 0 0 1px {colors.swatchEdge}',
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '2px' },
  },
};
