import { Trash2 } from 'lucide-react';
import { assetSource, useSiteAssetChanges } from '../../../../assets/queries';
import { DropField } from '../../../../assets/DropField';
import { useUpload } from '../../../../assets/useUpload';
import { weightWords } from '../../../../assets/words';
import { tellDone, tellProblem } from '../../../../shell/toasts';
import { useCellSite } from '../../site-context';
import { pictureText } from './PictureLayer';
import { usePictures, type KnownPicture } from './usePictures';

/** The pictures of the site, to choose one, and a place to drop others. */
export function PictureChooser({
  onChoose,
}: {
  /** @param isDone false while there is still something to read here */
  onChoose: (image: string, isDone: boolean) => void;
}) {
  const { siteId } = useCellSite();
  const { own, ofPage } = usePictures();
  const { remove, restore } = useSiteAssetChanges(siteId);
  const upload = useUpload(siteId, (added, isWhole) => {
    const [first] = added.filter((asset) => asset.picture);
    if (first && added.length === 1) onChoose(pictureText(first.address), isWhole);
  });
  const takeAway = ({ assetId, name }: KnownPicture) => {
    if (assetId === undefined) return;
    remove.mutate(assetId, {
      onSuccess: () => tellDone(`“${name}” is removed`, () => restore.mutate(assetId)),
      onError: tellProblem,
    });
  };
  const groups = [
    { label: 'Uploaded', pictures: own },
    { label: 'On this page', pictures: ofPage },
  ].filter(({ pictures }) => pictures.length);
  return (
    <div className="item" role="group" aria-label="Choose a picture">
      <DropField
        label="Upload pictures"
        accept="image/png,image/jpeg,image/webp,image/avif,image/gif,image/svg+xml"
        {...upload}
      />
      {groups.map(({ label, pictures }) => (
        <div key={label}>
          <p className="small">{label}</p>
          <ul className="pictures" aria-label={label}>
            {pictures.map((picture) => (
              <li key={picture.address}>
                <button
                  type="button"
                  aria-label={`${picture.name}, ${weightWords(picture.size)}`}
                  title={`${picture.name}, ${weightWords(picture.size)}`}
                  style={{ backgroundImage: `url("${assetSource(picture.hash)}")` }}
                  onClick={() => onChoose(pictureText(picture.address), true)}
                />
                <span>{picture.name}</span>
                {picture.assetId === undefined ? null : (
                  <button
                    type="button"
                    className="take-away"
                    aria-label={`Remove ${picture.name}`}
                    onClick={() => takeAway(picture)}
                  >
                    <Trash2 aria-hidden="true" />
                  </button>
                )}
              </li>
            ))}
          </ul>
        </div>
      ))}
    </div>
  );
}
