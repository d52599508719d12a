import { Box } from '@chakra-ui/react';
import type { SiteAsset } from '@retoque/contract';
import { Download } from 'lucide-react';
import { assetSource } from '../assets/queries';
import { weightWords } from '../assets/words';
import { Button } from '../theme/Button';

/** Pictures and fonts that the CSS names, to be put where it looks for them. */
export function Files({ files }: { files: readonly SiteAsset[] }) {
  if (!files.length) return null;
  return (
    <Box as="section" mt="16px" aria-label="Files">
      <Box as="h2" fontSize="15px" fontWeight={650}>
        Files that go with it
      </Box>
      <Box color="ink2" fontSize="13px" mb="8px">
        Put each at this path on your site. If your host gives it another, replace the path in the CSS.
      </Box>
      <Box as="ul" listStyleType="none" border="1px solid {colors.line}" borderRadius="l" bg="card">
        {files.map((file) => (
          <Box
            as="li"
            key={file.id}
            display="flex"
            flexWrap="wrap"
            alignItems="center"
            gap="4px 14px"
            padding="8px 14px"
            borderTop="1px solid {colors.lineSoft}"
            _first={{ borderTop: 0 }}
          >
            <Box as="code" fontFamily="mono" fontSize="12.5px" flex="1" overflowWrap="anywhere">
              {file.address}
            </Box>
            <Box as="span" color="ink2" fontSize="12.5px">
              {weightWords(file.size)}
              {file.font?.licence ? `, ${file.font.licence.slice(0, 60)}` : ''}
            </Box>
            <Button asChild size="s">
              <a href={assetSource(file.hash)} download={file.name}>
                <Download aria-hidden="true" />
                Download
              </a>
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
