import { ORDER_ATTRIBUTE, VIEWPORTS, type MeasuredElement, type ViewportName } from '@retoque/core';
import { useRef } from 'react';
import type { ToMeasure } from '../engine/protocol';
import { showLook } from '../frame/look-sheets';
import { fontsOf } from '../frame/dom';
import { measureDocument } from '../frame/measure-page';
import { SafeFrame } from '../frame/SafeFrame';

/** A page laid out where nobody sees it, and measured once its fonts are there. */
export function MeasuringFrame({
  page,
  viewport,
  onMeasured,
}: {
  page: ToMeasure;
  viewport: ViewportName;
  onMeasured: (elements: readonly MeasuredElement[]) => void;
}) {
  const frame = useRef<HTMLIFrameElement>(null);
  const { width, height } = VIEWPORTS[viewport];
  const measure = async () => {
    const document = frame.current?.contentDocument;
    if (!document) return;
    showLook(document, page.look, page.forced);
    await fontsOf(document).ready;
    if (frame.current?.contentDocument === document) onMeasured(measureDocument(document, ORDER_ATTRIBUTE));
  };
  return (
    <div
      aria-hidden="true"
      style={{ position: 'fixed', left: 0, top: 0, width: 0, height: 0, overflow: 'hidden', visibility: 'hidden' }}
    >
      <SafeFrame
        frameRef={frame}
        html={page.html}
        title="The page, being measured"
        hidden
        onLoad={() => void measure()}
        style={{ position: 'absolute', width, height }}
      />
    </div>
  );
}
