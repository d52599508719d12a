import { Dialog } from '@chakra-ui/react';
import type { Look, PageReach } from '@retoque/core';
import { useRef, useState } from 'react';
import { DialogClose } from '../../shell/DialogClose';
import type { ComponentRef } from '../../engine/protocol';
import { Button } from '../../theme/Button';
import { ReachPicture } from './ReachPicture';
import { reachElsewhere } from './reach-words';
import { onPageAlone, withoutEveryPage } from './where-it-holds';

/** Pictures that are drawn at first; each is a page of its own. */
const SHOWN_AT_FIRST = 4;

/** The other pages that a look reaches, in pictures; asks where it is to hold while that is not said yet. */
export default function ReachDialog({
  component,
  name,
  look,
  reach,
  part,
  asks,
  onEvery,
  onHere,
  onBack,
  onClose,
}: {
  component: ComponentRef;
  name: string;
  look: Look;
  reach: readonly PageReach[];
  part: string;
  asks: boolean;
  onEvery: () => void;
  /** Told the look as it holds on this page alone. */
  onHere: (alone: Look) => void;
  /** Told the look without what was edited. */
  onBack: (before: Look) => void;
  onClose: () => void;
}) {
  const [all, setAll] = useState(false);
  // Not a button: what is typed on must answer nothing.
  const content = useRef<HTMLDivElement>(null);
  const others = reach.filter(({ pageId }) => pageId !== component.pageId);
  // What is not like the page in hand is what there is to see.
  const sorted = [...others].sort((a, b) => Number(b.isUnlike) - Number(a.isUnlike));
  const shown = all ? sorted : sorted.slice(0, SHOWN_AT_FIRST);
  const back = () => onBack(withoutEveryPage(look));
  const leave = asks ? back : onClose;
  return (
    <Dialog.Root
      open

      initialFocusEl={() => content.current}
      onOpenChange={({ open }) => !open && leave()}
    >
      <Dialog.Backdrop />
      <Dialog.Positioner>
        <Dialog.Content
          ref={content}
          tabIndex={-1}
          maxWidth="880px"
          maxHeight="calc(100dvh - 88px)"
          display="flex"
          flexDirection="column"
        >
          <Dialog.Header>
            <Dialog.Title>{asks ? `Where is this to hold?` : `Where ${name} reaches`}</Dialog.Title>
          </Dialog.Header>
          <DialogClose />
          <Dialog.Body css={styles} overflowY="auto" minHeight={0}>
            <p>
              {name} is on this page, and there are {reachElsewhere(reach, component.pageId)}.
              {asks ? ' They would look like this with your edit:' : ''}
            </p>
            <ul aria-label="Other pages that it reaches">
              {shown.map((page) => (
                <ReachPicture key={page.version} component={component} look={look} reach={page} part={part} />
              ))}
            </ul>
            {shown.length < sorted.length ? (
              <Button onClick={() => setAll(true)}>Show {sorted.length - shown.length} more</Button>
            ) : null}
          </Dialog.Body>
          <Dialog.Footer>
            {asks ? (
              <>
                <Button onClick={back}>Take the edit back</Button>
                <Button onClick={() => onHere(onPageAlone(look, component.pageId))}>This page alone</Button>
                <Button variant="solid" onClick={onEvery}>
                  Every page
                </Button>
              </>
            ) : (
              <Button onClick={onClose}>Close</Button>
            )}
          </Dialog.Footer>
        </Dialog.Content>
      </Dialog.Positioner>
    </Dialog.Root>
  );
}

const styles = {
  '& ul': {
    listStyle: 'none',
    display: 'grid',
    gridTemplateColumns: { base: '1fr', md: '1fr 1fr' },
    gap: '14px',
    marginTop: '10px',
  },
  '& li': { minWidth: 0 },
  '& li > p': { display: 'flex', gap: '8px', alignItems: 'baseline', marginBottom: '4px' },
  '& li > p b': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' },
  '& li > p span': { color: 'ink2', fontSize: '12.5px', marginLeft: 'auto', whiteSpace: 'nowrap' },
  '& .frames': { padding: '2px', minHeight: '120px' },
};
