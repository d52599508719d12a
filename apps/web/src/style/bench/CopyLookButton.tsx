import { CopyPlus } from 'lucide-react';
import { useState } from 'react';
import { late } from '../../shell/late';
import { Button } from '../../theme/Button';
import { useHand } from '../editor/hand';
import type { Styled } from './useOpened';

const CopyLook = late(() => import('../reach/CopyLook'));

/** The way from a look to others of its kind that are to have it too. */
export function CopyLookButton({ styled: { site, component } }: { styled: Styled }) {
  const { look, component: ref, kind } = useHand();
  const [isOpen, setOpen] = useState(false);
  if (!look.settings.length && look.finish === undefined) return null;
  return (
    <>
      <Button
        variant="quiet"
        size="icon"
        title="Copy this look to others of its kind"
        aria-label="Copy this look to others"
        onClick={() => setOpen(true)}
      >
        <CopyPlus aria-hidden="true" />
      </Button>
      {isOpen ? (
        <CopyLook
          site={site}
          component={ref}
          name={component.name}
          kindWords={kind.plural}
          look={look}
          onClose={() => setOpen(false)}
        />
      ) : null}
    </>
  );
}
