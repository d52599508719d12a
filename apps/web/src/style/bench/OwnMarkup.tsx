import type { ComponentRef, OpenedComponent } from '../../engine/protocol';
import { Notice } from '../../shell/Notice';
import type { LookEditor } from '../look/useLookEditor';
import Imposter from './Imposter';
import MadeHere from './MadeHere';
import type { Styled } from './useOpened';
import { useOwnMarkup } from './useOwnMarkup';

/** Says where the component's markup is not that of the site, or ought to be another, and that it has moved. */
export default function OwnMarkup({
  styled,
  component,
  found,
  editor,
}: {
  styled: Styled;
  component: ComponentRef;
  found: OpenedComponent | undefined;
  editor: LookEditor;
}) {
  const { locator } = styled.component;
  const { held, takeBack, makeReal, busy } = useOwnMarkup(
    styled,
    component,
    editor,
    found?.selector ?? locator.selector,
  );
  return (
    <>
      {held.length ? <MadeHere changes={held} busy={busy} onTakeBack={(...back) => void takeBack(...back)} /> : null}
      {found?.isImposter ? <Imposter busy={busy} onMake={(tag) => void makeReal(tag)} /> : null}
      {found?.outcome === 'moved' && !held.length ? (
        <div className="note">
          <Notice>The page has changed, and this component was found again at {found.selector}.</Notice>
        </div>
      ) : null}
    </>
  );
}
