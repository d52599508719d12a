import { Box, Flex } from '@chakra-ui/react';
import { SCRIPT_NAME, SCRIPT_SOURCE_NAME, scriptTag } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { scriptQuery } from '../api/queries';
import { Busy } from '../shell/Busy';
import { Notice } from '../shell/Notice';
import { saveFile } from '../shell/save-file';
import { Button } from '../theme/Button';
import { CopyButton } from './CopyButton';

const kilobytes = (text: string) => (new Blob([text]).size / 1024).toFixed(1);

/** The script that has components turn, run, count, appear and ask. */
export function Script({ names }: { names: readonly string[] }) {
  const script = useQuery(scriptQuery(names));
  if (!names.length) return null;
  const tag = scriptTag(SCRIPT_NAME);
  const save = (text: string, name: string) => saveFile(new Blob([text], { type: 'text/javascript' }), name);
  return (
    <Box as="section" mt="18px" aria-label="Script">
      <Box as="h2" fontSize="15px" fontWeight={650}>
        The script
      </Box>
      <Box color="ink2" fontSize="13px" mb="8px">
        Put the file on your site, and this line into the head of each page. One file for all that moves, counts and
        appears; it needs nothing else and keeps to a strict content security policy.
      </Box>
      <Box
        as="pre"
        tabIndex={0}
        aria-label="Line for the head of each page"
        bg="card"
        border="1px solid {colors.line}"
        borderRadius="l"
        padding="10px 14px"
        mb="8px"
        fontFamily="mono"
        fontSize="12.5px"
        whiteSpace="pre-wrap"
        overflowWrap="anywhere"
      >
        {tag}
      </Box>
      {script.error ? (
        <Notice tone="short">{script.error.message}</Notice>
      ) : script.data ? (
        <Flex gap="8px" flexWrap="wrap">
          <CopyButton text={tag} label="Copy the line" />
          <Button onClick={() => save(script.data.minified, SCRIPT_NAME)}>
            <Download aria-hidden="true" />
            Download the script ({kilobytes(script.data.minified)} kB)
          </Button>
          <Button onClick={() => save(script.data.source, SCRIPT_SOURCE_NAME)}>
            <Download aria-hidden="true" />
            The same, to be read
          </Button>
        </Flex>
      ) : (
        <Busy>Putting the script together</Busy>
      )}
    </Box>
  );
}
