import { Box, Flex } from '@chakra-ui/react';
import type { HandoverFile } from '@retoque/core';
import { Download } from 'lucide-react';
import { late } from '../shell/late';
import { Busy } from '../shell/Busy';
import { Button } from '../theme/Button';
import { CopyButton } from './CopyButton';
import { saveFile } from '../shell/save-file';

const CssView = late(() => import('./CssView'), <Busy>Opening the CSS</Busy>);

interface Props {
  readonly file: HandoverFile;
  /** False where it is the only sheet, which needs no heading. */
  readonly isOneOfMany: boolean;
}

/** One sheet of the handover, to copy or to download. */
export function Sheet({ file: { path, text, page }, isOneOfMany }: Props) {
  return (
    <Box as="section" mt="18px" aria-label={path}>
      {isOneOfMany ? (
        <Box as="h2" fontSize="15px" fontWeight={650} mb="8px">
          {page ? `For “${page.name}” alone, after the other` : 'For every page'}
        </Box>
      ) : null}
      <Flex gap="8px" mb="10px" flexWrap="wrap">
        <CopyButton text={text} label="Copy the CSS" />
        <Button
          onClick={() => saveFile(new Blob([text], { type: 'text/css' }), path)}
          maxWidth="100%"
          whiteSpace="normal"
          height="auto"
          minHeight="30px"
        >
          <Download aria-hidden="true" />
          Download {path}
        </Button>
      </Flex>
      <Box border="1px solid {colors.line}" borderRadius="l" overflow="hidden" bg="card">
        <CssView css={text} />
      </Box>
    </Box>
  );
}
