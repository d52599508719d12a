import { Box, Field, Flex, Input, Textarea } from '@chakra-ui/react';
import {
  gatherNear,
  lightnessSteps,
  parseColour,
  readColourList,
  readTokens,
  toHex,
  TokensError,
  type FoundColour,
  type NewSwatch,
  type TokenProblem,
} from '@retoque/core';
import { useEffect, useState, type ReactNode } from 'react';
import { Busy } from '../shell/Busy';
import { ColourInput } from './ColourInput';
import type { PaletteParts } from './own';
import { useSiteColours } from './useSiteColours';
import { pictureColours, PictureError } from './picture-colours';
import { counted } from '../shell/counted';
import { shortColour } from './words';

export const WAYS = [
  { value: 'site', label: 'From this site' },
  { value: 'hand', label: 'By hand' },
  { value: 'list', label: 'Paste a list' },
  { value: 'tokens', label: 'Design tokens' },
  { value: 'steps', label: 'Steps of a colour' },
  { value: 'picture', label: 'From a picture' },
] as const;
export type Way = (typeof WAYS)[number]['value'];

/** Colours that could be added, and what was left out of what they come from. */
export interface Offer {
  readonly colours: readonly NewSwatch[];
  readonly notes?: readonly string[];
  /** Places of those that are not ticked at first. */
  readonly unwanted?: readonly number[];
}

export const NOTHING: Offer = { colours: [] };

interface SourceProps {
  readonly way: Way;
  readonly pages: PaletteParts['pages'];
  readonly onOffer: (offer: Offer) => void;
}

/** One way of finding colours. */
export function Source({ way, pages, onOffer }: SourceProps): ReactNode {
  switch (way) {
    case 'site':
      return <FromSite pages={pages} onOffer={onOffer} />;
    case 'hand':
      return <ByHand onOffer={onOffer} />;
    case 'list':
      return (
        <FromText
          label="Colours, with or without names"
          help="One in a line or several: #0b5563, Sand: #f4ead7, --ink: rgb(20 50 58). Comments and CSS may be among them."
          placeholder={'Quay blue: #0b5563\n--sand: #f4ead7;'}
          read={(text) => {
            const colours = readColourList(text);
            return text.trim() && !colours.length ? { colours, notes: ['There is no colour in it.'] } : { colours };
          }}
          onOffer={onOffer}
        />
      );
    case 'tokens':
      return (
        <FromText
          label="Design tokens, as JSON"
          help="A file of the W3C format (.tokens.json), or its text."
          placeholder='{ "quay": { "$type": "color", "$value": "#0b5563" } }'
          accept=".json,application/json"
          read={tokensOffer}
          onOffer={onOffer}
        />
      );
    case 'steps':
      return <Steps onOffer={onOffer} />;
    case 'picture':
      return <FromPicture onOffer={onOffer} />;
  }
}

/** So often a colour without a name is one that the site means. */
const OFTEN = 4;

/** A custom property's name as words. */
const wordsOf = (property: string): string => {
  const words = property.replace(/^--/, '').replaceAll('-', ' ');
  return words.slice(0, 1).toUpperCase() + words.slice(1);
};

/** Colours that look alike are offered as one, the one that is used most. */
function siteOffer(all: readonly FoundColour[], pages: number): Offer {
  // What lets something through is a colour of the palette with an opacity of its own.
  const opaque = all.filter(({ css }) => parseColour(css)?.alpha === 1);
  const nameOf = new Map(opaque.map(({ css, name }) => [css, name]));
  const groups = gatherNear(opaque).map(({ css, uses, near }) => {
    const name = [css, ...near.map((own) => own.css)].map((own) => nameOf.get(own)).find(Boolean);
    return { css, uses, name: name === undefined ? shortColour(css) : wordsOf(name), isNamed: name !== undefined };
  });
  return {
    colours: groups,
    unwanted: groups.flatMap(({ uses, isNamed }, i) => (isNamed || uses >= OFTEN ? [] : [i])),
    notes: [
      `${counted(opaque.length, 'colour')} in the sheets of ${counted(pages, 'page')}; those that look alike are offered as one. What has a name there or is used ${OFTEN} times and more is ticked.`,
    ],
  };
}

function FromSite({ pages, onOffer }: Omit<SourceProps, 'way'>) {
  const { data, error, isPending } = useSiteColours(pages);
  const count = pages.at?.versions.length ?? 0;
  useEffect(() => {
    if (data) onOffer(siteOffer(data, count));
  }, [data, count, onOffer]);
  if (error) return <Box color="short">{error.message}</Box>;
  return isPending ? <Busy>Looking through the site’s sheets</Busy> : null;
}

function ByHand({ onOffer }: Pick<SourceProps, 'onOffer'>) {
  const [text, setText] = useState('');
  return (
    <ColourInput
      label="Colour"
      value={text}
      onChange={(typed, css) => {
        setText(typed);
        onOffer(css ? { colours: [{ name: shortColour(css), css }] } : NOTHING);
      }}
    />
  );
}

function FromText({
  label,
  help,
  placeholder,
  accept,
  read,
  onOffer,
}: Pick<SourceProps, 'onOffer'> & {
  label: string;
  help: string;
  placeholder: string;
  accept?: string;
  read: (text: string) => Offer;
}) {
  const [text, setText] = useState('');
  const take = (next: string) => {
    setText(next);
    onOffer(next.trim() ? read(next) : NOTHING);
  };
  return (
    <Field.Root>
      <Field.Label fontWeight={550}>{label}</Field.Label>
      <Textarea
        rows={6}
        fontFamily="mono"
        fontSize="12.5px"
        spellCheck={false}
        placeholder={placeholder}
        value={text}
        onChange={(event) => take(event.target.value)}
      />
      <Field.HelperText color="ink2" fontSize="12.5px">
        {help}
      </Field.HelperText>
      {accept ? (
        <input
          type="file"
          accept={accept}
          aria-label="Choose a file"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            void file?.text().then(take);
            event.target.value = '';
          }}
        />
      ) : null}
    </Field.Root>
  );
}

const TOKEN_WORDS: Readonly<Record<'circle' | 'missing' | 'value', string>> = {
  circle: 'names itself, by way of others',
  missing: 'names a token that is not there',
  value: 'has no colour that can be read',
};
const problemWords = (problem: TokenProblem): string =>
  problem.code === 'others'
    ? `${counted(problem.count, 'token')} of other types left out.`
    : `Left out: ${problem.token} ${TOKEN_WORDS[problem.code]}.`;

function tokensOffer(text: string): Offer {
  try {
    const { swatches, problems } = readTokens(text);
    return { colours: swatches, notes: problems.slice(0, 12).map(problemWords) };
  } catch (error) {
    if (!(error instanceof TokensError)) throw error;
    const words: Readonly<Record<string, string>> = {
      'no JSON': 'That is not JSON. Design tokens are a JSON file.',
      'no tokens': 'There are no design tokens in it. A token has a $value.',
      'too large': 'That file has too many tokens, or too many groups in each other.',
    };
    return { colours: [], notes: [words[error.message] ?? error.message] };
  }
}

function Steps({ onOffer }: Pick<SourceProps, 'onOffer'>) {
  const [text, setText] = useState('');
  const [css, setCss] = useState<string>();
  const [count, setCount] = useState(9);
  const offer = (number: number, from: string | undefined) => {
    const colour = from === undefined ? undefined : parseColour(from);
    onOffer(
      colour
        ? {
            colours: lightnessSteps(colour, number).map((step, i) => ({
              name: `${shortColour(from!)} ${(i + 1) * 100}`,
              css: toHex(step),
            })),
          }
        : NOTHING,
    );
  };
  return (
    <Flex gap="14px" alignItems="flex-start">
      <Box flex="1">
        <ColourInput
          label="Colour to begin with"
          value={text}
          onChange={(typed, colour) => {
            setText(typed);
            setCss(colour);
            offer(count, colour);
          }}
        />
      </Box>
      <Field.Root width="110px">
        <Field.Label fontWeight={550}>Steps</Field.Label>
        <Input
          type="number"
          min={2}
          max={14}
          value={count}
          onChange={(event) => {
            const number = Math.max(2, Math.min(14, Math.round(Number(event.target.value)) || 2));
            setCount(number);
            offer(number, css);
          }}
        />
      </Field.Root>
    </Flex>
  );
}

function FromPicture({ onOffer }: Pick<SourceProps, 'onOffer'>) {
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const read = async (file: File) => {
    setBusy(true);
    setProblem(undefined);
    try {
      onOffer({ colours: (await pictureColours(file)).map((css) => ({ name: css, css })) });
    } catch (error) {
      onOffer(NOTHING);
      if (!(error instanceof PictureError)) throw error;
      setProblem(error.message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Field.Root invalid={problem !== undefined}>
      <Field.Label fontWeight={550}>Picture</Field.Label>
      <input
        type="file"
        accept="image/*"
        aria-label="Choose a picture"
        disabled={busy}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) void read(file);
          event.target.value = '';
        }}
      />
      <Field.HelperText color="ink2" fontSize="12.5px">
        Its main colours are found here, in this window; the picture is not uploaded.
      </Field.HelperText>
      <Field.ErrorText color="short">{problem}</Field.ErrorText>
    </Field.Root>
  );
}
