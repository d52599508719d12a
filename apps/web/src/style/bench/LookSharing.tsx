import { useState } from 'react';
import { late } from '../../shell/late';
import { Button } from '../../theme/Button';
import type { LookEditor } from '../look/useLookEditor';
import type { Styled } from './useOpened';

const Sharing = late(() => import('./Sharing'));

/** Ways of having a look on other components too, and of taking another's; loaded when there is something to share, or on request. */
export function LookSharing(props: { readonly styled: Styled; readonly editor: LookEditor }) {
  const [isAsked, setAsked] = useState(false);
  const { settings, finish } = props.editor.look;
  const isAny = settings.length > 0 || finish !== undefined || props.styled.site.finishes.length > 0;
  return isAny || isAsked ? (
    <Sharing {...props} startsOpen={isAsked} />
  ) : (
    <Button
      variant="quiet"
      size="s"
      title="A look to start from, or that of something else"
      onClick={() => setAsked(true)}
    >
      Finish
    </Button>
  );
}
