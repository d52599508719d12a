import { Box, Flex } from '@chakra-ui/react';
import {
  mendPair,
  NEEDED_FOR,
  pairsOf,
  parseColour,
  showRatio,
  sufficesFor,
  toHex,
  type Nearest,
  type Pair,
  type PairInUse,
  type Swatch,
} from '@retoque/core';
import { useMemo, useState } from 'react';
import { surveyEngine } from '../engine/engine';
import { Wedge } from '../shell/Wedge';
import { Button } from '../theme/Button';
import type { PaletteParts } from './own';
import { Progress } from '../ledger/Progress';
import { ColourBlock } from './Swatch';
import { useSiteWork } from '../ledger/useSiteWork';
import { counted } from '../shell/counted';
import { shortColour, SUFFICES } from './words';

/** More make no table that anybody reads; the first of the palette are shown. */
const MOST_SHOWN = 24;

type Only = { readonly side: 'text' | 'ground'; readonly id: string } | undefined;

const hexOf = ({ css }: Swatch) => toHex(parseColour(css)!);

/** Every colour as text on every other, what that suffices for, and whether the site has it. */
export function Pairs({ palette, pages, busy, onChange }: PaletteParts) {
  const [picked, setPicked] = useState<{ text: string; ground: string }>();
  const [only, setOnly] = useState<Only>();
  const swatches = palette.swatches.slice(0, MOST_SHOWN);
  const rows = useMemo(() => pairsOf(swatches), [swatches]);
  const inUse = useSiteWork(['pairs'], swatches.length ? pages.at : undefined, (at, onStep) =>
    surveyEngine().findPairs(at, onStep),
  );
  const usedBy = useMemo(
    () => new Map((inUse.data ?? []).map((own) => [`${own.text} ${own.ground}`, own])),
    [inUse.data],
  );
  const siteUse = ({ text, ground }: Pair) => usedBy.get(`${hexOf(text)} ${hexOf(ground)}`);
  if (!swatches.length) return <Box color="ink2">Add colours first. Then each is tried as text on every other.</Box>;
  const pair = rows.flat().find(({ text, ground }) => text.id === picked?.text && ground.id === picked.ground);
  const shown = rows
    .filter(([first]) => only?.side !== 'text' || first!.text.id === only.id)
    .map((row) => row.filter(({ ground }) => only?.side !== 'ground' || ground.id === only.id));
  const carries = (side: 'text' | 'ground', id: string) =>
    setOnly(only?.side === side && only.id === id ? undefined : { side, id });
  return (
    <Flex gap="22px" alignItems="flex-start" direction={{ base: 'column', lg: 'row' }} css={styles}>
      <Box flex="1" minWidth="0" width="100%" className="paper">
        <p id="pairs-words">
          {palette.swatches.length > MOST_SHOWN ? `The first ${MOST_SHOWN} colours. ` : ''}
          Text down the side, grounds along the top. Press a name to see that colour alone; a dot marks pairs that the
          site has.
        </p>
        <Box overflowX="auto">
          <table aria-describedby="pairs-words">
            <thead>
              <tr>
                <th scope="col">
                  <span className="corner">Text on ground</span>
                </th>
                {shown[0]!.map(({ ground }) => (
                  <th key={ground.id} scope="col">
                    <button
                      type="button"
                      aria-pressed={only?.side === 'ground' && only.id === ground.id}
                      title={`Which texts can ${ground.name} carry?`}
                      onClick={() => carries('ground', ground.id)}
                    >
                      <ColourBlock css={ground.css} size="18px" wide />
                      <span>{ground.name}</span>
                    </button>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {shown.map((row) => {
                const { text } = row[0]!;
                return (
                  <tr key={text.id}>
                    <th scope="row">
                      <button
                        type="button"
                        aria-pressed={only?.side === 'text' && only.id === text.id}
                        title={`Which grounds carry ${text.name} as text?`}
                        onClick={() => carries('text', text.id)}
                      >
                        <ColourBlock css={text.css} size="18px" />
                        <span>{text.name}</span>
                      </button>
                    </th>
                    {row.map((own) => (
                      <PairCell
                        key={own.ground.id}
                        pair={own}
                        isUsed={siteUse(own) !== undefined}
                        isPicked={own === pair}
                        onPick={() => setPicked({ text: own.text.id, ground: own.ground.id })}
                      />
                    ))}
                  </tr>
                );
              })}
            </tbody>
          </table>
        </Box>
      </Box>
      <Box as="aside" aria-label="Pair in hand" width={{ base: '100%', lg: '330px' }} flexShrink={0} className="hand">
        {pair ? (
          <InHand
            pair={pair}
            use={siteUse(pair)}
            isCounted={inUse.data !== undefined}
            busy={busy}
            onTake={(swatch, css) =>
              void onChange(
                {
                  ...palette,
                  swatches: palette.swatches.map((own) => (own.id === swatch.id ? { ...own, css } : own)),
                },
                `${swatch.name}: ${swatch.css} → ${css}`,
              )
            }
          />
        ) : (
          <Box color="ink2">Choose a pair to read it at full size, and to make it pass.</Box>
        )}
        {inUse.isFetching ? (
          <Box mt="12px">
            <Progress words="Looking for pairs that the site has…" {...inUse.progress} />
          </Box>
        ) : null}
      </Box>
    </Flex>
  );
}

interface CellProps {
  readonly pair: Pair;
  readonly isUsed: boolean;
  readonly isPicked: boolean;
  readonly onPick: () => void;
}

function PairCell({ pair: { text, ground, ratio }, isUsed, isPicked, onPick }: CellProps) {
  const suffices = ratio === undefined ? undefined : sufficesFor(ratio);
  const words =
    ratio === undefined
      ? 'not measured: the ground lets something through'
      : `${showRatio(ratio)}, ${SUFFICES[suffices!].toLowerCase()}`;
  return (
    <td>
      <button
        type="button"
        className="pair"
        aria-pressed={isPicked}
        aria-label={`${text.name} on ${ground.name}: ${words}${isUsed ? ', on the site' : ''}`}
        title={words}
        onClick={onPick}
      >
        <span className="sample" data-sample="" style={{ color: text.css, background: ground.css }} aria-hidden="true">
          Aa
        </span>
        <span className="figure" data-suffices={suffices} aria-hidden="true">
          {ratio === undefined ? 'unsure' : showRatio(ratio)} {suffices ? SIGNS[suffices] : ''}
          {isUsed ? <i className="used" /> : null}
        </span>
      </button>
    </td>
  );
}

const SIGNS = { enhanced: '✓', text: '✓', large: '◐', nothing: '–' } as const;

interface HandProps {
  readonly pair: Pair;
  readonly use: PairInUse | undefined;
  readonly isCounted: boolean;
  readonly busy: boolean;
  readonly onTake: (swatch: Swatch, css: string) => void;
}

function InHand({ pair: { text, ground, ratio }, use, isCounted, busy, onTake }: HandProps) {
  const isShort = ratio !== undefined && ratio < NEEDED_FOR.text;
  const ways = isShort && text.id !== ground.id ? mendPair(text, ground, NEEDED_FOR.text) : undefined;
  return (
    <>
      <Box data-sample="" borderRadius="m" padding="16px" mb="12px" style={{ color: text.css, background: ground.css }}>
        <Box fontSize="24px" fontWeight={650} lineHeight={1.2}>
          {text.name}
        </Box>
        <Box fontSize="15px">on {ground.name}, as words of a page would be.</Box>
      </Box>
      <Flex alignItems="baseline" gap="8px" mb="4px">
        <Box as="b" fontSize="22px" fontFamily="mono" color={isShort ? 'short' : 'ink'}>
          {ratio === undefined ? '–' : showRatio(ratio)}
        </Box>
        {isShort ? <Wedge /> : null}
        <span>{ratio === undefined ? 'Not measured' : SUFFICES[sufficesFor(ratio)]}</span>
      </Flex>
      <Box color="ink2" fontSize="12.5px" mb="12px">
        {ratio === undefined
          ? `${ground.name} lets through what lies behind it, which the palette does not know.`
          : 'Body text needs 4.5, large text and edges need 3 (WCAG 2.2 at level AA).'}
      </Box>
      {ways ? (
        <Box mb="12px">
          <b>Nearest change that passes</b>
          <Way swatch={text} nearest={ways.text} busy={busy} onTake={onTake} />
          <Way swatch={ground} nearest={ways.ground} busy={busy} onTake={onTake} />
        </Box>
      ) : null}
      <Box color="ink2" fontSize="12.5px">
        {use
          ? `On the site in ${counted(use.count, 'text')} on ${counted(use.pages.length, 'page')}: ${use.words.map((word) => `“${word}”`).join(', ')}.`
          : isCounted
            ? 'The site has no text like that on a plain ground.'
            : ''}
      </Box>
    </>
  );
}

function Way({
  swatch,
  nearest,
  busy,
  onTake,
}: {
  swatch: Swatch;
  nearest: Nearest | undefined;
  busy: boolean;
  onTake: (swatch: Swatch, css: string) => void;
}) {
  if (!nearest) return null;
  return (
    <Flex alignItems="center" gap="8px" mt="7px">
      <ColourBlock css={swatch.css} />→<ColourBlock css={nearest.css} />
      <Box flex="1" minWidth="0">
        {swatch.name}
        <Box as="code" display="block" fontFamily="mono" fontSize="11.5px" color="ink2">
          {shortColour(swatch.css)} → {nearest.css}
        </Box>
      </Box>
      <Button
        size="s"
        disabled={busy}
        aria-label={`Use ${nearest.css} for ${swatch.name}`}
        onClick={() => onTake(swatch, nearest.css)}
      >
        Use
      </Button>
    </Flex>
  );
}

const ring = { outline: '2px solid {colors.accent}', outlineOffset: '1px' };

const styles = {
  '& .paper': { bg: 'card', border: '1px solid {colors.line}', borderRadius: 'l', padding: '12px 14px' },
  '& .hand': { bg: 'sheet', border: '1px solid {colors.line}', borderRadius: 'l', padding: '16px 18px' },
  '& table': { borderCollapse: 'separate', borderSpacing: '4px' },
  '& .paper p': { color: 'ink2', fontSize: '12.5px', paddingBottom: '8px' },
  '& th': { fontWeight: 500, textAlign: 'left', verticalAlign: 'middle' },
  '& tbody th, & thead th:first-of-type': { position: 'sticky', left: 0, bg: 'card', zIndex: 1 },
  '& th button': {
    display: 'flex',
    gap: '6px',
    alignItems: 'center',
    width: '100%',
    maxWidth: '150px',
    cursor: 'pointer',
    borderRadius: 'm',
    padding: '3px',
    '&[aria-pressed=true]': { bg: 'accentSoft', color: 'accentInk', fontWeight: 650 },
    _hover: { bg: 'lineSoft' },
    _focusVisible: ring,
  },
  '& thead th button': { flexDirection: 'column', alignItems: 'stretch', maxWidth: '92px', width: '78px' },
  '& th span:last-of-type': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap', fontSize: '12px' },
  '& .corner': { color: 'ink3', fontSize: '12px' },
  '& .pair': {
    display: 'block',
    width: '78px',
    borderRadius: 'm',
    border: '1px solid {colors.line}',
    overflow: 'hidden',
    cursor: 'pointer',
    '&[aria-pressed=true]': { borderColor: 'accent', boxShadow: '0 0 0 1px {colors.accent}' },
    _hover: { borderColor: 'edge' },
    _focusVisible: ring,
  },
  '& .sample': { display: 'block', textAlign: 'center', fontSize: '17px', fontWeight: 600, padding: '4px 0' },
  '& .figure': {
    position: 'relative',
    display: 'block',
    textAlign: 'center',
    fontFamily: 'mono',
    fontSize: '11px',
    padding: '2px 0',
    color: 'ink2',
    bg: 'cardSoft',
    '&[data-suffices=text], &[data-suffices=enhanced]': { color: 'ink', fontWeight: 650 },
    '&[data-suffices=nothing]': { color: 'ink3' },
  },
  '& .used': {
    position: 'absolute',
    right: '5px',
    top: '7px',
    width: '6px',
    height: '6px',
    borderRadius: '50%',
    bg: 'accent',
  },
};
