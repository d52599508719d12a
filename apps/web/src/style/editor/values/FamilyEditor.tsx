import { splitTopLevel, lookup } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { assetName, shippedName, siteFontNames } from '../../../assets/app-fonts';
import { DropField } from '../../../assets/DropField';
import { shippedFontsQuery, siteAssetsQuery, useSiteAssetChanges } from '../../../assets/queries';
import { useUpload } from '../../../assets/useUpload';
import { engine } from '../../../engine/engine';
import { readTyped } from '../../grid/cell-problem';
import { useCellSite } from '../site-context';
import { FontAxes } from './FontAxes';
import type { EditorProps } from './editing';

/** Families that every device has under these names, or something like them. */
const GENERIC = [
  'system-ui',
  'sans-serif',
  'serif',
  'monospace',
  'ui-rounded',
  'Georgia, serif',
  'Verdana, sans-serif',
];
const SAMPLE = 'Hamburgefonts 123';
/** What stands in for a font until it is loaded, by the sort that its package names. */
const FALLBACK: Readonly<Record<string, string>> = lookup({ serif: 'serif', monospace: 'monospace' });

interface Choice {
  /** As CSS names it. */
  readonly value: string;
  /** As this document names it. */
  readonly shownIn: string;
  readonly label: string;
  readonly take?: () => Promise<unknown>;
}

const plain = (family: string) => family.replace(/^["']|["']$/g, '').toLowerCase();

/** The font of a part: those of the site, uploaded ones, open ones that come along, and those of every device. */
export default function FamilyEditor(props: EditorProps) {
  const { row, value, valueOf, families, words, onChange, onSettle } = props;
  const { siteId, component } = useCellSite();
  const assets = useQuery(siteAssetsQuery(siteId));
  const shipped = useQuery(shippedFontsQuery);
  const loaded = useQuery({
    queryKey: ['engine', 'site-fonts', component.versionId],
    staleTime: Infinity,
    queryFn: () => engine().siteFonts(component.versionId),
  });
  const { addShippedFont } = useSiteAssetChanges(siteId);
  const [problem, setProblem] = useState<string>();
  const fonts = (assets.data ?? []).filter((asset) => asset.font);
  const uploaded = fonts.filter((asset) => asset.origin === 'uploaded');
  const namesHere = siteFontNames(loaded.data ?? []);
  /** The family as this document knows it: the site's own files where it loads them. */
  const here = (text: string) =>
    splitTopLevel(text)
      .map((family) => {
        const asset = fonts.find((item) => item.font?.family.toLowerCase() === plain(family));
        const name = asset ? assetName(asset) : namesHere.get(plain(family));
        return name ? `"${name}"` : family;
      })
      .join(', ');
  const upload = useUpload(siteId, (added) => {
    const [first] = added.filter((asset) => asset.font);
    if (first?.font) take({ value: `"${first.font.family}"`, shownIn: '', label: first.font.family });
  });
  function take(choice: Choice) {
    const read = readTyped(row, choice.value);
    if (!read.ok) return setProblem(read.problem);
    setProblem(undefined);
    const set = () => {
      onChange(read.values);
      onSettle();
    };
    if (choice.take) choice.take().then(set, (error: Error) => setProblem(error.message));
    else set();
  }
  const uploadedFamilies = [...new Set(uploaded.map((asset) => asset.font!.family))];
  const groups: readonly { readonly label: string; readonly choices: readonly Choice[] }[] = [
    {
      label: 'Of this site',
      choices: [...new Set([value, ...families])]
        .filter(Boolean)
        .map((family) => ({ value: family, shownIn: here(family), label: splitTopLevel(family)[0] ?? family })),
    },
    {
      label: 'Uploaded',
      choices: uploadedFamilies.map((family) => ({ value: `"${family}"`, shownIn: here(family), label: family })),
    },
    {
      label: 'Open fonts that come along',
      choices: (shipped.data ?? [])
        .filter((font) => !namesHere.has(font.family.toLowerCase()))
        .map((font) => ({
          value: `"${font.family}", ${FALLBACK[font.sort] ?? 'sans-serif'}`,
          shownIn: `"${shippedName(font)}"`,
          label: font.family,
          take: () => addShippedFont.mutateAsync(font.id),
        })),
    },
    { label: 'Of every device', choices: GENERIC.map((family) => ({ value: family, shownIn: family, label: family })) },
  ];
  const chosen = fonts.find((asset) => asset.font?.family.toLowerCase() === plain(splitTopLevel(value)[0] ?? ''));
  return (
    <>
      {chosen?.font?.axes.length ? (
        <FontAxes axes={chosen.font.axes} valueOf={valueOf} onChange={onChange} onSettle={onSettle} />
      ) : null}
      <DropField label="Upload fonts" accept=".woff2,.ttf,.otf" {...upload} />
      {problem ? (
        <p role="alert" className="problem">
          {problem}
        </p>
      ) : null}
      {groups
        .filter(({ choices }) => choices.length)
        .map(({ label, choices }) => (
          <div key={label}>
            <p className="small">{label}</p>
            <div className="families" role="listbox" aria-label={label}>
              {choices.map((choice) => (
                <button
                  key={choice.value}
                  type="button"
                  role="option"
                  aria-selected={choice.value === value}
                  style={{ fontFamily: choice.shownIn }}
                  onClick={() => take(choice)}
                >
                  <span>{words || SAMPLE}</span>
                  <code>{choice.label}</code>
                </button>
              ))}
            </div>
          </div>
        ))}
    </>
  );
}
