import type { CSSProperties, Ref } from 'react';

/**
 * A frame in which nothing can run: same origin, so that we can measure and change its sheets, and never scripts.
 * The one place where a preview frame is made.
 */
export function SafeFrame({
  html,
  title,
  style,
  hidden = false,
  frameRef,
  onLoad,
}: {
  html: string;
  title: string;
  style?: CSSProperties;
  /** True for a picture of a page that says nothing to a screen reader. */
  hidden?: boolean;
  frameRef?: Ref<HTMLIFrameElement>;
  onLoad?: () => void;
}) {
  return (
    <iframe
      ref={frameRef}
      title={title}
      sandbox="allow-same-origin"
      srcDoc={html}
      onLoad={onLoad}
      tabIndex={-1}
      aria-hidden={hidden || undefined}
      style={{ border: 0, display: 'block', background: '#fff', colorScheme: 'light', ...style }}
    />
  );
}
