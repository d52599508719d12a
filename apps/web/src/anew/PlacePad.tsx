import { ORDER_ATTRIBUTE, VIEWPORTS, type ChangePlace } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { engine } from '../engine/engine';
import { attributeOf, bodyOf, firstChildOf, listen, nextOf, parentOf, previousOf } from '../frame/dom';
import { elementIn, visibleBox, type Box } from '../frame/geometry';
import { SafeFrame } from '../frame/SafeFrame';
import { usePickElement } from '../frame/usePickElement';
import { useStage } from '../shell/useStage';

/** The page, on which the element is pointed at that something new goes beside; by keyboard, arrow keys walk the tree. */
export function PlacePad({
  versionId,
  order,
  place,
  onPick,
}: {
  versionId: string;
  order: number | undefined;
  place: ChangePlace;
  onPick: (order: number) => void;
}) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [loaded, setLoaded] = useState(0);
  const [chosen, setChosen] = useState<Box>();
  const stage = useStage('wide');
  const html = useQuery({
    queryKey: ['engine', 'live', versionId],
    staleTime: Infinity,
    queryFn: () => engine().liveFrame(versionId),
  });
  const hovered = usePickElement(frame, loaded, onPick);
  useEffect(() => {
    const document = frame.current?.contentDocument;
    if (!loaded || !document) return;
    const follow = () => {
      const element = order === undefined ? null : elementIn(document, order);
      setChosen(element ? visibleBox(element) : undefined);
    };
    follow();
    return listen(document, 'scroll', follow);
  }, [loaded, order]);
  const walk = (key: string): boolean => {
    const document = frame.current?.contentDocument;
    if (!document) return false;
    const at = order === undefined ? bodyOf(document) : elementIn(document, order);
    const next = {
      ArrowDown: at && nextOf(at),
      ArrowUp: at && previousOf(at),
      ArrowRight: at && firstChildOf(at),
      ArrowLeft: at && parentOf(at),
    }[key];
    if (next === undefined) return false;
    const found = next && attributeOf(next, ORDER_ATTRIBUTE);
    if (found) {
      onPick(Number(found));
      HTMLElement.prototype.scrollIntoView.call(next, { block: 'center', behavior: 'instant' });
    }
    return true;
  };
  const scaled = (box: Box) => ({
    left: box.left * stage.scale,
    top: box.top * stage.scale,
    width: box.width * stage.scale,
    height: box.height * stage.scale,
  });
  return (
    <div
      ref={stage.ref}
      className="place-pad"
      role="application"
      aria-label="The page. Arrow keys walk from element to element."
      tabIndex={0}
      onKeyDown={(event) => {
        if (walk(event.key)) event.preventDefault();
      }}
    >
      {html.data ? (
        <div
          className="page"
          style={{ left: stage.left, width: stage.width * stage.scale, height: stage.height * stage.scale }}
        >
          <SafeFrame
            frameRef={frame}
            html={html.data}
            title="The page to put it on"
            onLoad={() => setLoaded((count) => count + 1)}
            style={{
              width: VIEWPORTS.wide.width,
              height: stage.height,
              transform: `scale(${stage.scale})`,
              transformOrigin: '0 0',
            }}
          />
          {hovered ? <i className="hovered" style={scaled(hovered)} /> : null}
          {chosen ? <i className="chosen" data-place={place} style={scaled(chosen)} /> : null}
        </div>
      ) : null}
    </div>
  );
}
