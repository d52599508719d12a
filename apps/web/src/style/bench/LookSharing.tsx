import { useState } from 'react';
import { late } from '../../shell/late';
import { Button } from '../../theme/Button';
import type { LookEditor } from '../look/useLookEditor';
import { MatchLookButton } from './MatchLookButton';
import type { Styled } from './useOpened';

const Sharing = late(() => import('./Sharing'));

/** Ways of having a look on other components too, and of taking another's. What there is to share is loaded when there is some. */
export function LookSharing(props: { readonly styled: Styled; readonly editor: LookEditor }) {
  const [isAsked, setAsked] = useState(false);
  const { settings, finish } = props.editor.look;
  const isAny = settings.length > 0 || finish !== undefined || props.styled.site.finishes.length > 0;
  return (
    <>
      {isAny || isAsked ? (
        <Sharing {...props} startsOpen={isAsked} />
      ) : (
        <Button variant="quiet" size="s" title="A look that several components follow" onClick={() => setAsked(true)}>
          Finish
        </Button>
      )}
      <MatchLookButton {...props} />
    </>
  );
}
