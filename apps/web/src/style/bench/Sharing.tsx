import type { LookEditor } from '../look/useLookEditor';
import { CopyLookButton } from './CopyLookButton';
import { FinishMenu } from './FinishMenu';
import type { Styled } from './useOpened';

/** The finish that a look follows, and the way to others of its kind. */
export default function Sharing({
  styled,
  editor,
  startsOpen,
}: {
  readonly styled: Styled;
  readonly editor: LookEditor;
  readonly startsOpen: boolean;
}) {
  return (
    <>
      <FinishMenu styled={styled} editor={editor} startsOpen={startsOpen} />
      <CopyLookButton styled={styled} />
    </>
  );
}
