import { Box } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { surveyEngine } from '../engine/engine';
import { makeSheet, putSheets } from '../frame/frame-sheets';
import { SafeFrame } from '../frame/SafeFrame';
import { Busy } from '../shell/Busy';
import { useStage } from '../shell/useStage';

/**
 * A page of the site in one colour scheme, with the looks that it wears, or with others.
 *
 * @param css all looks of the page; those that it wears where absent
 */
export function PageInScheme({
  version,
  scheme,
  css,
  worn,
  height = 'max(460px, calc(100vh - 230px))',
}: {
  version: string | undefined;
  scheme: 'light' | 'dark';
  css: string | undefined;
  worn: string | undefined;
  height?: string;
}) {
  const frame = useRef<HTMLIFrameElement>(null);
  const [loaded, setLoaded] = useState(0);
  const stage = useStage('wide');
  const page = useQuery({
    queryKey: ['surveyor', 'page in scheme', version, worn],
    enabled: version !== undefined,
    queryFn: async () => ({
      html: await surveyEngine().liveFrame(version!),
      css: await surveyEngine().pageCss(version!),
    }),
  });
  const own = css ?? page.data?.css;
  useEffect(() => {
    const document = frame.current?.contentDocument;
    const sheet = loaded && own !== undefined && document ? makeSheet(document, own) : undefined;
    if (sheet) putSheets(document!, 'look', [sheet]);
  }, [loaded, own]);
  return (
    <Box
      ref={stage.ref}
      height={{ base: '460px', lg: height }}
      position="relative"
      overflow="hidden"
      borderRadius="l"
      border="1px solid {colors.line}"
      bg="card"
    >
      {page.data ? (
        <SafeFrame
          frameRef={frame}
          html={page.data.html}
          title="The page"
          onLoad={() => setLoaded((count) => count + 1)}
          style={{
            width: stage.width,
            height: stage.height,
            transform: `scale(${stage.scale})`,
            transformOrigin: '0 0',
            colorScheme: scheme,
          }}
        />
      ) : page.error ? null : (
        <Busy>Opening the page</Busy>
      )}
    </Box>
  );
}
