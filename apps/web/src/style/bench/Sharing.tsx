import { useState } from 'react';
import type { LookEditor } from '../look/useLookEditor';
import { CopyLookButton } from './CopyLookButton';
import { FinishMenu } from './FinishMenu';
import { MatchLookButton } from './MatchLookButton';
import type { Styled } from './useOpened';

/** The finish that a look follows, the way to others of its kind, and the look of something else. */
export default function Sharing({
  styled,
  editor,
  startsOpen,
}: {
  readonly styled: Styled;
  readonly editor: LookEditor;
  readonly startsOpen: boolean;
}) {
  const [isMatching, setMatching] = useState(false);
  return (
    <>
      <FinishMenu styled={styled} editor={editor} startsOpen={startsOpen} onMatch={() => setMatching(true)} />
      <CopyLookButton styled={styled} />
      <MatchLookButton styled={styled} editor={editor} isOpen={isMatching} onOpenChange={setMatching} />
    </>
  );
}
