import { useState } from 'react';
import { late } from '../../shell/late';
import { PopMenu } from '../../shell/PopMenu';
import { Button } from '../../theme/Button';
import type { LookEditor } from '../look/useLookEditor';
import type { Styled } from './useOpened';

const FinishChoices = late(() => import('./FinishChoices'));

/** The finish that a component follows, and the way to another, or to a new one. */
export function FinishMenu({
  styled,
  editor,
  startsOpen,
  onMatch,
}: {
  styled: Styled;
  editor: LookEditor;
  startsOpen: boolean;
  onMatch: () => void;
}) {
  const [isOpen, setOpen] = useState(startsOpen);
  const { site, component } = styled;
  const own = site.finishes.filter(({ kind }) => kind === component.kind);
  const followed = own.find(({ id }) => id === editor.look.finish);
  return (
    <PopMenu
      title={followed ? `Follows “${followed.name}”` : 'Finish'}
      width="330px"
      open={isOpen}
      onOpenChange={setOpen}
      trigger={
        <Button
          variant={followed ? 'outline' : 'quiet'}
          size="s"
          aria-label={followed ? `Finish: ${followed.name}` : 'Finish'}
          title="A look that several components follow"
        >
          {followed ? followed.name : 'Finish'}
        </Button>
      }
    >
      {isOpen ? (
        <FinishChoices
          styled={styled}
          editor={editor}
          finishes={own}
          followed={followed}
          onMatch={() => {
            setOpen(false);
            onMatch();
          }}
          onClose={() => setOpen(false)}
        />
      ) : null}
    </PopMenu>
  );
}
