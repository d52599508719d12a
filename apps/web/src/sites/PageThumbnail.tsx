import { Box } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { pageQuery } from '../api/queries';
import { engine, useOpenedPage } from '../engine/engine';
import { SafeFrame } from '../frame/SafeFrame';
import { useWasNear } from '../shell/useOnScreen';

const WIDTH = 1280;
const HEIGHT = 760;

/** The page itself, small; nothing in it can be reached or run. */
export function PageThumbnail({ pageId }: { pageId: string }) {
  const box = useRef<HTMLDivElement>(null);
  // Sites may be many, and a page is large: it is asked for when its picture comes near.
  const isNear = useWasNear(box);
  const page = useQuery({ ...pageQuery(pageId), enabled: isNear });
  const opened = useOpenedPage(page.data);
  const html = useQuery({
    queryKey: ['engine', 'live', opened.data?.versionId],
    enabled: opened.data !== undefined,
    staleTime: Infinity,
    queryFn: () => engine().liveFrame(opened.data!.versionId),
  });
  const [width, setWidth] = useState(320);
  useEffect(() => {
    const node = box.current;
    if (!node) return;
    const observer = new ResizeObserver(() => setWidth(node.clientWidth));
    observer.observe(node);
    return () => observer.disconnect();
  }, []);
  return (
    <Box
      ref={box}
      aspectRatio={`${WIDTH} / ${HEIGHT}`}
      overflow="hidden"
      position="relative"
      bg="lineSoft"
      pointerEvents="none"
      inert
    >
      {html.data ? (
        <SafeFrame
          html={html.data}
          title=""
          hidden
          style={{ width: WIDTH, height: HEIGHT, transform: `scale(${width / WIDTH})`, transformOrigin: '0 0' }}
        />
      ) : null}
    </Box>
  );
}
