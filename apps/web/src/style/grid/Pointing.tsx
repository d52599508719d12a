import { Box, Dialog, Portal } from '@chakra-ui/react';
import { DialogClose } from '../../shell/DialogClose';
import { VIEWPORTS, type ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { engine } from '../../engine/engine';
import { SafeFrame } from '../../frame/SafeFrame';
import { usePickElement } from '../../frame/usePickElement';

const WIDTH = 920;
const HEIGHT = 520;

/** The page, on which one element is pointed at. */
export default function Pointing({
  versionId,
  label,
  viewport,
  onPick,
  onClose,
}: {
  versionId: string;
  label: string;
  viewport: ViewportName;
  onPick: (order: number) => void;
  onClose: () => void;
}) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [loaded, setLoaded] = useState(0);
  const size = VIEWPORTS[viewport];
  const scale = Math.min(1, WIDTH / size.width);
  const html = useQuery({
    queryKey: ['engine', 'live', versionId],
    staleTime: Infinity,
    queryFn: () => engine().liveFrame(versionId),
  });
  const box = usePickElement(frame, loaded, onPick);
  return (
    <Dialog.Root open closeOnInteractOutside={false} onOpenChange={({ open }) => !open && onClose()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxWidth="968px">
            <Dialog.Header>
              <Dialog.Title>Point at: {label.toLowerCase()}</Dialog.Title>
              <Box color="ink2">Click one on the page; the selector that your site uses for it is proposed.</Box>
            </Dialog.Header>
            <DialogClose />
            <Dialog.Body pb="18px!">
              <Box
                position="relative"
                height={`${HEIGHT}px`}
                overflow="hidden"
                border="1px solid {colors.line}"
                cursor="crosshair"
              >
                {html.data ? (
                  <SafeFrame
                    frameRef={frame}
                    html={html.data}
                    title="The page to point at"
                    onLoad={() => setLoaded((count) => count + 1)}
                    style={{
                      width: size.width,
                      height: HEIGHT / scale,
                      transform: `scale(${scale})`,
                      transformOrigin: '0 0',
                    }}
                  />
                ) : null}
                {box ? (
                  <Box
                    position="absolute"
                    pointerEvents="none"
                    left={`${box.left * scale - 2}px`}
                    top={`${box.top * scale - 2}px`}
                    width={`${box.width * scale + 4}px`}
                    height={`${box.height * scale + 4}px`}
                    border="2px solid {colors.overPage}"
                    boxShadow="0 0 0 1.5px #fff, inset 0 0 0 1px #fff"
                    borderRadius="s"
                  />
                ) : null}
              </Box>
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
