import { toHex, type Cell, type MemberValue, type Row } from '@retoque/core';
import { MonitorSmartphone, FileStack, Moon, UsersRound, Wind, type LucideIcon } from 'lucide-react';
import { columnLabel, plainText } from '../look/cells';
import { swatchWords, useSwatches } from '../look/swatch-names';

const CHECKER = 'repeating-conic-gradient(#fff 0 25%, #c9c9c5 0 50%) 0 0 / 8px 8px';

const PLACES: Readonly<Record<NonNullable<Cell['followsPlace']>, { icon: LucideIcon; words: string }>> = {
  wider: { icon: MonitorSmartphone, words: 'Follows a wider viewport' },
  'every-page': { icon: FileStack, words: 'Follows every page' },
  light: { icon: Moon, words: 'Follows the light scheme' },
  'full-motion': { icon: Wind, words: 'Follows full motion' },
  'all-members': { icon: UsersRound, words: 'Follows all members' },
};

/** What a cell shows: a swatch for a colour, solid where it is set and hollow where it follows, and the value. */
export function CellValue({ cell, row }: { cell: Cell; row: Row }) {
  const isColour = row.editor === 'colour';
  const { colour } = cell;
  const swatches = useSwatches();
  const hex = colour && toHex(colour);
  const hollow = cell.follows !== undefined || cell.from === 'nothing' || cell.followsPlace !== undefined;
  const clear = colour?.alpha === 0;
  const place = cell.followsPlace ? PLACES[cell.followsPlace] : undefined;
  const Place = place?.icon;
  if (cell.differs && cell.own === undefined) return <Differing values={cell.differs} />;
  return (
    <>
      {isColour && hex ? (
        <span
          className={`swatch ${hollow ? 'hollow' : 'solid'}`}
          style={hollow ? { borderColor: clear ? '#d0d0cc' : hex } : { background: clear ? CHECKER : hex }}
        />
      ) : null}
      {cell.own !== undefined
        ? plainText(row, swatchWords(cell.own, swatches))
        : cell.mixed
          ? 'mixed'
          : isColour && hex
            ? clear
              ? 'transparent'
              : hex
            : plainText(row, cell.computed) || (row.usual === '' ? 'not set' : '')}
      {isColour && !cell.drawn ? <span className="undrawn">not drawn</span> : null}
      {Place ? <Place className="place" aria-label={place.words} /> : null}
    </>
  );
}

const MOST_SWATCHES = 3;

/** What elements of a part show where they differ: never the first of them as if it were all. */
function Differing({ values }: { values: readonly MemberValue[] }) {
  return (
    <>
      {values
        .slice(0, MOST_SWATCHES)
        .map(({ value, colour }) =>
          colour ? (
            <span
              key={value}
              className="swatch solid several"
              style={{ background: colour.alpha ? toHex(colour) : CHECKER }}
            />
          ) : null,
        )}
      {values.length} values
    </>
  );
}

export const valuesWords = (values: readonly MemberValue[]): string =>
  values.map(({ value, colour, members }) => `${colour ? toHex(colour) : value} ×${members.length}`).join(', ');

export function cellTitle(cell: Cell): string {
  if (cell.differs && cell.own === undefined)
    return `${valuesWords(cell.differs)}\nA value that you set is set for all.`;
  const value = cell.own ?? cell.computed;
  if (cell.isOfFinish) return `${value}\nFrom its finish. A value that you set is its own.`;
  if (cell.muted) return `${value}\nSet by you, switched off. M switches it on again.`;
  if (cell.own !== undefined) return `${value}\nSet by you. Delete clears it.`;
  const place = cell.followsPlace ? PLACES[cell.followsPlace].words : undefined;
  if (cell.follows) return `${value}\n${place ? `${place}, and there ` : 'Follows '}${columnLabel(cell.follows)}`;
  if (place) return `${value}\n${place}`;
  return cell.site
    ? `${value}\nSet by your site: ${cell.site.selector}, ${cell.site.sheet}:${cell.site.line}`
    : `${value}\nNot set; the browser decides`;
}
