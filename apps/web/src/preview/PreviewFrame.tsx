import type { ViewportName } from '@retoque/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { makeSheet, putSheets } from '../frame/frame-sheets';
import { elementIn } from '../frame/geometry';
import { SafeFrame } from '../frame/SafeFrame';
import { slowDown, tame } from '../frame/tame';
import { useStage } from '../shell/useStage';

/** A whole page with a look on it, the component in view, as large as there is room. */
export function PreviewFrame({
  html,
  css,
  order,
  viewport,
  title,
  live,
  speed,
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
  children?: ReactNode;
}) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [loaded, setLoaded] = useState(0);
  const { ref, width, scale, height, left } = useStage(viewport);
  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (!loaded || !document) return;
    const sheet = makeSheet(document, css);
    if (sheet) putSheets(document, 'look', [sheet]);
    elementIn(document, order)?.scrollIntoView({ block: 'center', behavior: 'instant' });
  }, [loaded, css, order]);
  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (!loaded || !document || !live) return;
    return tame(document);
  }, [loaded, live]);
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
