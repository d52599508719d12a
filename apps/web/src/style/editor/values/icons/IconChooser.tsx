import { parseColour, toHex } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { siteAssetsQuery } from '../../../../assets/queries';
import { useUpload } from '../../../../assets/useUpload';
import { useCellSite } from '../../site-context';
import { Input } from '../../../../theme/Input';
import { pictureText } from '../picture/PictureLayer';
import { useShownColours } from '../useShownColours';
import { iconFile, iconName, iconSize } from './icon-file';
import { ICON_GROUPS } from './icons';

/** Icons to put before or after something: each becomes a picture of the site, in the colour and size of the text. */
export default function IconChooser({
  colour,
  fontSize,
  onChoose,
}: {
  /** Of the text beside it, as CSS text. */
  colour: string;
  fontSize: string;
  onChoose: (image: string) => void;
}) {
  const { siteId } = useCellSite();
  const shown = useShownColours();
  const assets = useQuery(siteAssetsQuery(siteId));
  const upload = useUpload(siteId, ([first]) => {
    if (first) onChoose(pictureText(first.address));
  });
  const [typed, setTyped] = useState('');
  const wanted = typed.trim().toLowerCase();
  const ink = parseColour(shown(colour));
  const style = { colour: ink ? toHex(ink) : '#000000', size: iconSize(fontSize) };
  const take = (name: string, drawing: SVGElement | null) => {
    const file = iconName(name.replaceAll(' ', '-'), style);
    const known = assets.data?.find((asset) => asset.name === file && asset.picture);
    if (known) onChoose(pictureText(known.address));
    else if (drawing) upload.onFiles([new File([iconFile(drawing.outerHTML, style)], file, { type: 'image/svg+xml' })]);
  };
  const groups = ICON_GROUPS.map(({ label, icons }) => ({
    label,
    icons: icons.filter(({ name }) => name.includes(wanted)),
  })).filter(({ icons }) => icons.length);
  return (
    <div className="item" role="group" aria-label="Icons">
      <Input
        type="search"
        aria-label="Find an icon"
        placeholder="Find an icon"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      {groups.length ? null : <p className="small">No icon is called that.</p>}
      {groups.map(({ label, icons }) => (
        <div key={label}>
          <p className="small">{label}</p>
          <div className="choices" role="group" aria-label={label}>
            {icons.map(({ name, Icon }) => (
              <button
                key={name}
                type="button"
                aria-label={name}
                title={name}
                disabled={upload.busy}
                onClick={(event) => take(name, event.currentTarget.querySelector('svg'))}
              >
                <Icon aria-hidden="true" size={16} />
              </button>
            ))}
          </div>
        </div>
      ))}
      {upload.problems.map((problem) => (
        <p key={problem} className="small" role="alert">
          {problem}
        </p>
      ))}
      <p className="small">An icon is a picture: it keeps this colour and size when the text takes others.</p>
    </div>
  );
}
