import { css as cssLanguage } from '@codemirror/lang-css';
import CodeMirror, { EditorView } from '@uiw/react-codemirror';

const look = EditorView.theme({
  '&': { fontSize: '13px', backgroundColor: '#fff' },
  '.cm-content': { fontFamily: '"Commit Mono", monospace', padding: '12px 0' },
  '.cm-gutters': { backgroundColor: '#f6f6f4', color: '#5f6365', border: 'none' },
  '&.cm-focused': { outline: '2px solid #0b5563', outlineOffset: '-2px' },
});

const named = EditorView.contentAttributes.of({ 'aria-label': 'CSS to hand over' });

/** CSS to read and to copy from, never to edit. */
export default function CssView({ css }: { css: string }) {
  return (
    <CodeMirror
      value={css}
      readOnly
      extensions={[cssLanguage(), look, named, EditorView.lineWrapping]}
      basicSetup={{ foldGutter: false, highlightActiveLine: false, highlightActiveLineGutter: false }}
    />
  );
}
