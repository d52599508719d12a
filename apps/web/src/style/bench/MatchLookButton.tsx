import { Pipette } from 'lucide-react';
import { useState } from 'react';
import { late } from '../../shell/late';
import { Button } from '../../theme/Button';
import { useHand } from '../editor/hand';
import type { LookEditor } from '../look/useLookEditor';
import type { Styled } from './useOpened';

const MatchLook = late(() => import('../reach/MatchLook'));

/** The way to the look of something else on the site, taken over by what is in hand. */
export function MatchLookButton({ styled, editor }: { styled: Styled; editor: LookEditor }) {
  const { component, onTry } = useHand();
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <Button
        variant="quiet"
        size="icon"
        title="Match the look of something else on the site"
        aria-label="Match another look"
        onClick={() => setOpen(true)}
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
          onClose={() => setOpen(false)}
        />
      ) : null}
    </>
  );
}
