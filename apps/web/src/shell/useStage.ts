import { VIEWPORTS, type ViewportName } from '@retoque/core';
import { useEffect, useRef, useState } from 'react';

/** The size of the frame, scaled to fit the room there is, at least as tall as a real window. */
export function useStage(viewport: ViewportName) {
  const ref = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 900, height: 640 });
  useEffect(() => {
    const node = ref.current;
    if (!node) return;
    const observer = new ResizeObserver(() => setRoom({ width: node.clientWidth, height: node.clientHeight }));
    observer.observe(node);
    return () => observer.disconnect();
  }, []);
  const { width } = VIEWPORTS[viewport];
  const scale = Math.min(1, room.width / width);
  return { ref, width, scale, height: room.height / scale, left: Math.max(0, (room.width - width * scale) / 2) };
}
