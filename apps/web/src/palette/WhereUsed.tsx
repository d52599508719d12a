import { Box, chakra, Flex } from '@chakra-ui/react';
import { colourAsSaid, columnNamed, componentKey, parseColour, swatchText, type SwapShare } from '@retoque/core';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { surveyEngine } from '../engine/engine';
import { putShares } from '../ledger/put-shares';
import { Notice } from '../shell/Notice';
import { toggled } from '../shell/toggled';
import { tellDone, tellProblem } from '../shell/toasts';
import { Button } from '../theme/Button';
import { ColourInput } from './ColourInput';
import { Alike } from './Alike';
import { Declarations } from './Declarations';
import { Effect } from '../ledger/Effect';
import type { PaletteParts } from './own';
import { Progress } from '../ledger/Progress';
import { asideStyles } from '../theme/styles/asideStyles';
import { ColourBlock } from './Swatch';
import { useSiteColours } from './useSiteColours';
import { useSiteWork } from '../ledger/useSiteWork';
import { counted } from '../shell/counted';
import { shortColour } from './words';

const Chip = chakra('button', {
  base: {
    display: 'inline-flex',
    gap: '6px',
    alignItems: 'center',
    padding: '3px 9px 3px 4px',
    bg: 'card',
    border: '1px solid {colors.line}',
    borderRadius: 'm',
    fontSize: '12px',
    cursor: 'pointer',
    maxWidth: '190px',
    '& span:last-of-type': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' },
    _hover: { borderColor: 'edge' },
    '&[aria-pressed=true]': { borderColor: 'accent', boxShadow: '0 0 0 1px {colors.accent}', fontWeight: 600 },
    _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '1px' },
  },
});

/** Colours of the site that are offered to be looked for. */
const MOST_CHIPS = 14;

/** What stands in a value, and how it is written where it is a swatch. */
interface Choice {
  readonly css: string;
  readonly written: string | undefined;
  readonly name: string;
}

/** Every place that has a colour, and another put there in one step. */
export function WhereUsed({
  site,
  palette,
  pages,
  sought,
  onSeek,
}: PaletteParts & { sought: string | undefined; onSeek: (css: string) => void }) {
  const [text, setText] = useState(sought ?? '');
  const [near, setNear] = useState(false);
  const [gather, setGather] = useState<string>();
  const colours = useSiteColours(pages);
  const seek = (css: string) => {
    setText(css);
    onSeek(css);
  };
  const css = sought === undefined ? undefined : colourAsSaid(sought);
  const uses = useSiteWork(['uses', css, near], css === undefined ? undefined : pages.at, (at, onStep) =>
    surveyEngine().findColour(at, { css: css!, near }, onStep),
  );
  return (
    <Box>
      <Flex gap="14px" flexWrap="wrap" alignItems="flex-end" mb="12px">
        <Box width="260px">
          <ColourInput
            label="Which colour?"
            value={text}
            onChange={(typed, colour) => {
              setText(typed);
              if (colour) onSeek(colour);
            }}
          />
        </Box>
        <Flex as="label" gap="7px" alignItems="center" height="32px" cursor="pointer">
          <input type="checkbox" checked={near} onChange={() => setNear(!near)} />
          Those that look alike too
        </Flex>
      </Flex>
      <Flex gap="6px" flexWrap="wrap" role="group" aria-label="Colours of the palette and the site" mb="18px">
        {palette.swatches.map(({ id, name, css: own }) => (
          <Chip key={id} type="button" aria-pressed={own === css} onClick={() => seek(own)}>
            <ColourBlock css={own} size="18px" />
            <span>{name}</span>
          </Chip>
        ))}
        {(colours.data ?? [])
          .filter(
            ({ css: own }) => parseColour(own)?.alpha === 1 && !palette.swatches.some((swatch) => swatch.css === own),
          )
          .slice(0, MOST_CHIPS)
          .map(({ css: own, uses: count }) => (
            <Chip
              key={own}
              type="button"
              aria-pressed={own === css}
              title={`In ${count} declarations`}
              onClick={() => seek(own)}
            >
              <ColourBlock css={own} size="18px" />
              <span>{shortColour(own)}</span>
            </Chip>
          ))}
      </Flex>
      {css === undefined ? (
        <>
          <Box color="ink2">Choose a colour to see every place that has it.</Box>
          <Alike
            colours={colours.data ?? []}
            onGather={(own) => {
              setNear(true);
              setGather(own);
              seek(own);
            }}
          />
        </>
      ) : (
        <Flex gap="22px" alignItems="flex-start" direction={{ base: 'column', lg: 'row' }}>
          <Box flex="1" minWidth="0" width="100%">
            {uses.error ? (
              <Notice tone="short">{uses.error.message}</Notice>
            ) : uses.data ? (
              <Declarations uses={uses.data} />
            ) : (
              <Progress words="Looking through the pages…" {...uses.progress} />
            )}
          </Box>
          <Replace
            key={`${css} ${near} ${gather === css}`}
            {...{ site, palette, pages, css, near }}
            gather={gather === css}
          />
        </Flex>
      )}
    </Box>
  );
}

type ReplaceProps = Pick<PaletteParts, 'site' | 'palette' | 'pages'> & {
  readonly css: string;
  readonly near: boolean;
  /** True where those that look alike are to become this one. */
  readonly gather: boolean;
};

/** Another colour in its place: first looked at with all that changes, then set in one step. */
function Replace({ site, palette, pages, css, near, gather }: ReplaceProps) {
  const client = useQueryClient();
  const [text, setText] = useState(gather ? css : '');
  const [choice, setChoice] = useState<Choice | undefined>(gather ? { css, written: undefined, name: css } : undefined);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [busy, setBusy] = useState(false);
  const all = useSiteWork(['swap', css, near, choice?.css, choice?.written], choice && pages.at, (at, onStep) =>
    surveyEngine().swapColour(at, { css, near, to: choice!.css, written: choice!.written, only: undefined }, onStep),
  );
  // Where all that it asks for is so already nothing changes.
  const shares = (all.data?.shares ?? []).filter(({ settings }) => settings.length);
  const taken = shares.filter(({ place }) => !left.has(componentKey(place)));
  // What some of them alone would do is measured by itself.
  const only = new Map(taken.map(({ place }) => [componentKey(place), 'all' as const]));
  const isSome = taken.length < shares.length && taken.length > 0;
  const some = useSiteWork(
    ['swap', css, near, choice?.css, choice?.written, [...only.keys()]],
    isSome ? pages.at : undefined,
    (at, onStep) =>
      surveyEngine().swapColour(at, { css, near, to: choice!.css, written: choice!.written, only }, onStep),
  );
  const answer = isSome ? some : all;
  const use = async () => {
    setBusy(true);
    try {
      const undo = await putShares(
        client,
        site.id,
        answer.data!.shares.filter(({ settings }) => settings.length),
      );
      tellDone(
        `${gather ? 'Gathered into' : `${css} →`} ${choice!.name} in ${counted(taken.length, 'component')}`,
        () => void undo().catch(tellProblem),
      );
      setChoice(undefined);
      setText('');
    } catch (error) {
      tellProblem(error as Error);
    } finally {
      setBusy(false);
    }
  };
  const others = palette.swatches.filter((own) => own.css !== css);
  return (
    <Box as="aside" aria-label="Another colour in its place" css={asideStyles}>
      <h2>{gather ? 'Gather them into one' : 'Put another in its place'}</h2>
      <ColourInput
        label="With"
        value={text}
        onChange={(typed, colour) => {
          setText(typed);
          setChoice(colour === undefined ? undefined : { css: colour, written: undefined, name: colour });
        }}
      />
      {others.length ? (
        <Flex gap="6px" flexWrap="wrap" role="group" aria-label="Colours of the palette" mt="10px">
          {others.map(({ id, name, css: own }) => (
            <Chip
              key={id}
              type="button"
              aria-pressed={choice?.written === swatchText(id)}
              onClick={() => {
                setText(own);
                setChoice({ css: own, written: swatchText(id), name });
              }}
            >
              <ColourBlock css={own} size="18px" />
              <span>{name}</span>
            </Chip>
          ))}
        </Flex>
      ) : null}
      {!choice ? (
        <p className="quiet">
          Choose a colour or one of the palette. Nothing is set before you have seen what it changes.
        </p>
      ) : answer.error ? (
        <Notice tone="short">{answer.error.message}</Notice>
      ) : !all.data ? (
        <Box mt="12px">
          <Progress words="Trying it in every component…" {...all.progress} />
        </Box>
      ) : shares.length ? (
        <>
          <ul className="components" aria-label="Components that have it">
            {shares.map((share) => (
              <ShareLine
                key={componentKey(share.place)}
                share={share}
                isTaken={!left.has(componentKey(share.place))}
                onToggle={() => setLeft(toggled(left, componentKey(share.place)))}
              />
            ))}
          </ul>
          {taken.length === 0 ? null : answer.data ? (
            <Effect effects={answer.data.effects} />
          ) : (
            <Progress words="Measuring these alone…" {...answer.progress} />
          )}
          <Flex mt="12px" justifyContent="flex-end">
            <Button variant="solid" disabled={busy || !taken.length || !answer.data} onClick={() => void use()}>
              {busy ? 'Saving…' : `Replace in ${counted(taken.length, 'component')}`}
            </Button>
          </Flex>
        </>
      ) : (
        <p className="quiet">No component shows {css}. What a picture shows, or a script draws, no CSS can replace.</p>
      )}
    </Box>
  );
}

function ShareLine({ share, isTaken, onToggle }: { share: SwapShare; isTaken: boolean; onToggle: () => void }) {
  const states = [...new Set(share.places.flatMap(({ columns }) => columns))].map(
    (column) => columnNamed(column)?.label.toLowerCase() ?? column,
  );
  return (
    <li>
      <label>
        <input type="checkbox" checked={isTaken} onChange={onToggle} />
        <span>
          <b>{share.name}</b>
          <small>
            {counted(share.places.length, 'place')} in {states.slice(0, 4).join(', ')}
            {states.length > 4 ? ' …' : ''}
          </small>
        </span>
      </label>
    </li>
  );
}
