import { late } from '../../shell/late';
import type { LookEditor } from '../look/useLookEditor';
import { MatchLookButton } from './MatchLookButton';
import type { Styled } from './useOpened';

const Sharing = late(() => import('./Sharing'));

/** Ways of having a look on other components too, once there is one to share, and of taking another's. */
export function LookSharing(props: { readonly styled: Styled; readonly editor: LookEditor }) {
  const { settings, finish } = props.editor.look;
  const isAny = settings.length > 0 || finish !== undefined || props.styled.site.finishes.length > 0;
  return (
    <>
      {isAny ? <Sharing {...props} /> : null}
      <MatchLookButton {...props} />
    </>
  );
}
