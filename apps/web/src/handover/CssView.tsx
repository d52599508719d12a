import { css as cssLanguage } from '@codemirror/lang-css';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { tags } from '@lezer/highlight';
import CodeMirror, { EditorView } from '@uiw/react-codemirror';

/** Colours of the interface, which follow its scheme. */
const ours = (name: string) => `var(--chakra-colors-${name})`;

const look = EditorView.theme({
  '&': { fontSize: '13px', backgroundColor: ours('card'), color: ours('ink') },
  '.cm-content': { fontFamily: '"Commit Mono", monospace', padding: '12px 0' },
  '.cm-gutters': { backgroundColor: ours('sheet'), color: ours('ink3'), border: 'none' },
  '&.cm-focused': { outline: `2px solid ${ours('accent')}`, outlineOffset: '-2px' },
  '&.cm-focused .cm-selectionBackground, .cm-selectionBackground': {
    backgroundColor: `${ours('selection')} !important`,
  },
});

const colours = syntaxHighlighting(
  HighlightStyle.define([
    { tag: tags.comment, color: ours('ink3') },
    { tag: [tags.propertyName, tags.attributeName], color: ours('accent') },
    { tag: [tags.number, tags.color, tags.string, tags.unit], color: ours('unsure') },
    { tag: [tags.className, tags.tagName, tags.labelName], color: ours('ink'), fontWeight: '600' },
    { tag: [tags.keyword, tags.modifier, tags.operatorKeyword], color: ours('short') },
    { tag: [tags.punctuation, tags.separator, tags.brace], color: ours('ink2') },
  ]),
);

const named = EditorView.contentAttributes.of({ 'aria-label': 'CSS to hand over' });

/** CSS to read and to copy from, never to edit. */
export default function CssView({ css }: { css: string }) {
  return (
    <CodeMirror
      value={css}
      readOnly
      theme="none"
      extensions={[cssLanguage(), colours, look, named, EditorView.lineWrapping]}
      basicSetup={{
        foldGutter: false,
        highlightActiveLine: false,
        highlightActiveLineGutter: false,
        syntaxHighlighting: false,
      }}
    />
  );
}
