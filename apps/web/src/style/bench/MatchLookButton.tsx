import { Pipette } from 'lucide-react';
import { late } from '../../shell/late';
import { Button } from '../../theme/Button';
import { useHand } from '../editor/hand';
import type { LookEditor } from '../look/useLookEditor';
import type { Styled } from './useOpened';

const MatchLook = late(() => import('../reach/MatchLook'));

/** The way to the look of something else on the site, taken over by what is in hand. */
export function MatchLookButton({
  styled,
  editor,
  isOpen,
  onOpenChange,
}: {
  styled: Styled;
  editor: LookEditor;
  isOpen: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const { component, onTry } = useHand();
  return (
    <>
      <Button
        variant="quiet"
        size="icon"
        title="Match the look of something else on the site"
        aria-label="Match another look"
        onClick={() => onOpenChange(true)}
      >
        <Pipette aria-hidden="true" />
      </Button>
      {isOpen ? (
        <MatchLook
          site={styled.site}
          page={styled.page}
          component={component}
          name={styled.component.name}
          look={editor.look}
          onTry={onTry}
          onUse={editor.replace}
          onClose={() => onOpenChange(false)}
        />
      ) : null}
    </>
  );
}
