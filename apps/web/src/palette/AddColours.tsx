import { Box, Dialog, Input, Portal } from '@chakra-ui/react';
import { withSwatchesAdded, type Swatch } from '@retoque/core';
import { useState } from 'react';
import { DialogClose } from '../shell/DialogClose';
import { Segments } from '../shell/Segments';
import { toggled } from '../shell/toggled';
import { useSteady } from '../shell/useSteady';
import { Button } from '../theme/Button';
import { NOTHING, Source, WAYS, type Offer, type Way } from './ColourSources';
import type { PaletteParts } from './own';
import { ColourBlock } from './Swatch';
import { counted } from '../shell/counted';
import { shortColour } from './words';

/** Brings colours into the palette: those that the site has, and from elsewhere. */
export function AddColours({
  palette,
  pages,
  onAdd,
  onClose,
}: Pick<PaletteParts, 'site' | 'palette' | 'pages'> & {
  onAdd: (next: readonly Swatch[], words: string) => Promise<boolean>;
  onClose: () => void;
}) {
  const [way, setWay] = useState<Way>('site');
  const [offer, setOffer] = useState<Offer>(NOTHING);
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const [names, setNames] = useState<Readonly<Record<number, string>>>({});
  const [busy, setBusy] = useState(false);
  const give = useSteady((next: Offer) => {
    setOffer(next);
    setLeft(new Set(next.unwanted));
    setNames({});
  });
  const everyOne = new Set(offer.colours.keys());
  const chosen = offer.colours.flatMap(({ name, css }, i) =>
    left.has(i) ? [] : [{ name: (names[i] ?? name).trim() || name, css }],
  );
  const next = withSwatchesAdded(palette.swatches, chosen);
  const count = next.length - palette.swatches.length;
  const add = async () => {
    setBusy(true);
    if (await onAdd(next, `${counted(count, 'colour')} added`)) onClose();
    setBusy(false);
  };
  return (
    <Dialog.Root open onOpenChange={({ open }) => !open && onClose()} closeOnInteractOutside={false}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxWidth="720px">
            <Dialog.Header>
              <Dialog.Title>Add colours</Dialog.Title>
            </Dialog.Header>
            <DialogClose />
            <Dialog.Body css={styles}>
              <Box mb="14px" overflowX="auto">
                <Segments
                  label="Where they come from"
                  value={way}
                  choices={WAYS}
                  onChange={(value) => {
                    setWay(value);
                    give(NOTHING);
                  }}
                />
              </Box>
              <Source key={way} way={way} pages={pages} onOffer={give} />
              {offer.notes?.length ? (
                <Box as="ul" listStyleType="none" color="ink2" fontSize="12.5px" mt="10px">
                  {offer.notes.map((note) => (
                    <li key={note}>{note}</li>
                  ))}
                </Box>
              ) : null}
              {offer.colours.length > 1 ? (
                <Button size="s" variant="quiet" onClick={() => setLeft(left.size ? new Set() : everyOne)}>
                  {left.size ? 'Tick all' : 'Tick none'}
                </Button>
              ) : null}
              {offer.colours.length ? (
                <ul aria-label="Colours to add" className="offered">
                  {offer.colours.map(({ name, css }, i) => (
                    <li key={`${i} ${css}`}>
                      <input
                        type="checkbox"
                        aria-label={`Add ${name}`}
                        checked={!left.has(i)}
                        onChange={() => setLeft(toggled(left, i))}
                      />
                      <ColourBlock css={css} />
                      <Input
                        size="sm"
                        height="28px"
                        aria-label={`Name of ${css}`}
                        maxLength={60}
                        value={names[i] ?? name}
                        onChange={(event) => setNames({ ...names, [i]: event.target.value })}
                      />
                      <code>{shortColour(css)}</code>
                    </li>
                  ))}
                </ul>
              ) : null}
            </Dialog.Body>
            <Dialog.Footer>
              <Button onClick={onClose}>Cancel</Button>
              <Button variant="solid" disabled={busy || !count} onClick={() => void add()}>
                {count ? `Add ${counted(count, 'colour')}` : 'Add'}
              </Button>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

const styles = {
  '& .offered': { listStyle: 'none', marginTop: '12px', maxHeight: '320px', overflowY: 'auto' },
  '& .offered li': {
    display: 'grid',
    gridTemplateColumns: '18px 22px minmax(0, 1fr) minmax(80px, auto)',
    gap: '10px',
    alignItems: 'center',
    padding: '4px 2px',
  },
  '& .offered code': { fontFamily: 'mono', fontSize: '12px', color: 'ink2' },
  '& input[type=checkbox]': { accentColor: '{colors.accent}', width: '16px', height: '16px' },
};
