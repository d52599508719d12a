import { markStates, TOUCHED_STATES, type ViewportName } from '@retoque/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { makeSheet, putSheets } from '../frame/frame-sheets';
import { elementIn } from '../frame/geometry';
import { SafeFrame } from '../frame/SafeFrame';
import { hoverByTouch, slowDown, tame } from '../frame/tame';
import { useStage } from '../shell/useStage';

/** Sets behaviours going in the document of a frame, and has them read their settings again. */
interface Behaves {
  readonly run: (document: Document) => () => void;
  readonly refresh: () => void;
}

/** A whole page with a look on it, the component in view, as large as there is room. */
export function PreviewFrame({
  html,
  css,
  order,
  viewport,
  title,
  live,
  speed,
  touch = false,
  markup,
  pictures,
  time,
  children,
}: {
  html: string | undefined;
  css: string;
  order: number;
  viewport: ViewportName;
  title: string;
  /** It answers to pointer and keyboard; otherwise it is a picture. */
  live: boolean;
  /** At which share of their speed changes are played. */
  speed: number;
  /** It is touched as on a phone: what was touched last hovers, and nothing else. */
  touch?: boolean;
  /** HTML in place of the element that is in view. */
  markup?: string | undefined;
  /** Where the pictures of that HTML are served. */
  pictures?: { readonly base: string; readonly served: ReadonlyMap<string, string> } | undefined;
  /** What its behaviours run by; without it they do not run. */
  time?: Behaves | undefined;
  children?: ReactNode;
}) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [loaded, setLoaded] = useState(0);
  const { ref, width, scale, height, left } = useStage(viewport);
  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (!loaded || !document) return;
    const sheet = makeSheet(document, touch ? markStates(css, TOUCHED_STATES) : css);
    if (sheet) putSheets(document, 'look', [sheet]);
    elementIn(document, order)?.scrollIntoView({ block: 'center', behavior: 'instant' });
    time?.refresh();
  }, [loaded, css, order, touch, time]);
  useEffect(() => {
    const document = frame.current?.contentDocument;
    return loaded && document ? time?.run(document) : undefined;
  }, [loaded, time]);
  const put = useRef<Element>(undefined);
  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (!loaded || !document || markup === undefined) return;
    const before = put.current?.isConnected ? put.current : elementIn(document, order);
    const template = Document.prototype.createElement.call(document, 'template') as HTMLTemplateElement;
    template.innerHTML = markup;
    for (const image of template.content.querySelectorAll('[src], [srcset]')) {
      const written = image.getAttribute('src') ?? '';
      const at = URL.canParse(written, pictures?.base) ? new URL(written, pictures?.base).href : written;
      image.removeAttribute('srcset');
      image.setAttribute('src', pictures?.served.get(at) ?? 'data:,');
    }
    const next = template.content.firstElementChild;
    if (!before || !next) return;
    before.replaceWith(next);
    put.current = next;
  }, [loaded, markup, order, pictures]);
  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (!loaded || !document || !live) return;
    const ends = [tame(document), touch ? hoverByTouch(document) : undefined];
    return () => ends.forEach((end) => end?.());
  }, [loaded, live, touch]);
  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (!loaded || !document || speed === 1) return;
    return slowDown(document, speed);
  }, [loaded, speed]);
  return (
    <div ref={ref} className="preview-frame">
      {html ? (
        <div className="preview-page" style={{ left, width: width * scale, height: height * scale }}>
          <SafeFrame
            frameRef={frame}
            html={html}
            title={title}
            hidden={!live}
            onLoad={() => setLoaded((count) => count + 1)}
            style={{
              width,
              height,
              transform: `scale(${scale})`,
              transformOrigin: '0 0',
              pointerEvents: live ? 'auto' : 'none',
            }}
          />
        </div>
      ) : null}
      {children}
    </div>
  );
}
