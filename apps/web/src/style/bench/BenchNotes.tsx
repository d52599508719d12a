import { late } from '../../shell/late';
import { Hint } from '../../shell/Hint';
import { Notice } from '../../shell/Notice';
import type { ComponentRef, OpenedComponent } from '../../engine/protocol';
import type { LookEditor } from '../look/useLookEditor';
import type { Styled } from './useOpened';
import type { UsedFix } from './useRemedies';

// Few components have any.
const OwnMarkup = late(() => import('./OwnMarkup'));
const Elsewhere = late(() => import('./Elsewhere'));

/** What there is to know before anything else: what is wrong, what stands on the page by the owner's own hand, and a hint. */
export function BenchNotes({
  problems,
  styled,
  component,
  found,
  editor,
  used,
}: {
  problems: readonly string[];
  styled: Styled;
  component: ComponentRef;
  found: OpenedComponent | undefined;
  editor: LookEditor;
  /** The suggested fix that was used last, as long as nothing was changed since. */
  used: UsedFix | undefined;
}) {
  return (
    <>
      {problems.map((message) => (
        <div key={message} className="note">
          <Notice tone="short">{message}</Notice>
        </div>
      ))}
      {styled.page.version.changes.length || found?.isImposter || found?.outcome === 'moved' ? (
        <OwnMarkup styled={styled} component={component} found={found} editor={editor} />
      ) : null}
      {used ? (
        <div className="note">
          <Elsewhere styled={styled} used={used} />
        </div>
      ) : null}
      <div className="note hint">
        <Hint id="style">
          The pictures show one part in each state. A red figure fails: it is under the contrast it needs. Click that
          picture, then drag <b>Lightness</b> in the editor: where the line under a track is solid, the colour passes.
        </Hint>
      </div>
    </>
  );
}
