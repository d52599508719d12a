import { Box, Flex } from '@chakra-ui/react';
import { FileUp, FolderUp, X } from 'lucide-react';
import { useRef, type ChangeEvent } from 'react';
import { useFileDrop } from '../shell/useFileDrop';
import { Button } from '../theme/Button';
import { chosenFrom, droppedFrom, isPage, withMore, type ChosenFile } from './chosen-files';

/** Above this many files only their number is shown, and those that are pages. */
const MOST_LISTED = 12;

/** The files of a page: dropped or chosen one by one, as a folder, or as a zip; of several pages one is brought. */
export function FileChooser({
  files,
  page,
  error,
  onChange,
  onPage,
}: {
  files: readonly ChosenFile[];
  /** The path of the page, where one was chosen. */
  page: string | undefined;
  error: string | undefined;
  onChange: (files: readonly ChosenFile[]) => void;
  onPage: (path: string | undefined) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const add = (more: readonly ChosenFile[]) => {
    if (more.length) onChange(withMore(files, more));
  };
  const choose = (event: ChangeEvent<HTMLInputElement>) => {
    add(chosenFrom(event.target.files ?? []));
    event.target.value = '';
  };
  const { over, handlers } = useFileDrop((data) => void droppedFrom(data).then(add));
  const pages = files.filter(isPage);
  const listed = files.length > MOST_LISTED ? [] : files;
  return (
    <Box>
      <Box
        border={`1.5px dashed ${over ? '{colors.accent}' : '{colors.edge}'}`}
        bg={over ? 'accentSoft' : 'sheet'}
        borderRadius="l"
        padding="22px"
        textAlign="center"
        {...handlers}
      >
        <Box color="ink2" mb="10px">
          Drop the HTML file here with its stylesheets, pictures and fonts, or its whole folder, or a zip; up to 20 MB.
        </Box>
        <Flex gap="8px" justifyContent="center">
          <Button type="button" onClick={() => input.current?.click()}>
            <FileUp aria-hidden="true" />
            Choose files
          </Button>
          <Button type="button" onClick={() => folder.current?.click()}>
            <FolderUp aria-hidden="true" />
            Choose a folder
          </Button>
        </Flex>
        <input ref={input} type="file" multiple hidden aria-label="Files of the page" onChange={choose} />
        <input ref={folder} type="file" hidden aria-label="Folder of the page" onChange={choose} {...FOLDER} />
      </Box>
      {pages.length > 1 ? (
        <Flex asChild alignItems="center" gap="8px" mt="10px" fontWeight={600} fontSize="12.5px">
          <label>
            Page to bring
            <Box
              asChild
              flex="1"
              fontWeight={400}
              border="1px solid {colors.edge}"
              borderRadius="m"
              padding="6px 8px"
              bg="sheet"
            >
              <select value={page ?? ''} onChange={(event) => onPage(event.target.value || undefined)}>
                <option value="">The front page of the folder</option>
                {pages.map(({ path }) => (
                  <option key={path}>{path}</option>
                ))}
              </select>
            </Box>
          </label>
        </Flex>
      ) : null}
      {files.length > listed.length ? (
        <Flex mt="10px" alignItems="center" gap="8px" color="ink2">
          <Box flex="1">{files.length} files</Box>
          <Button type="button" variant="quiet" size="s" onClick={() => onChange([])}>
            Leave all out
          </Button>
        </Flex>
      ) : null}
      {listed.length ? (
        <Box as="ul" listStyleType="none" mt="10px" display="grid" gap="3px">
          {listed.map((own) => (
            <Flex as="li" key={own.path} alignItems="center" gap="8px">
              <Box fontFamily="mono" fontSize="12px" flex="1" overflowWrap="anywhere">
                {own.path}
              </Box>
              <Box color="ink3">{Math.max(1, Math.round(own.file.size / 1024))} kB</Box>
              <Button
                type="button"
                variant="quiet"
                size="s"
                aria-label={`Leave out ${own.path}`}
                onClick={() => onChange(files.filter((other) => other !== own))}
              >
                <X aria-hidden="true" />
              </Button>
            </Flex>
          ))}
        </Box>
      ) : null}
      {error ? (
        <Box role="alert" color="short" fontSize="12.5px" mt="8px">
          {error}
        </Box>
      ) : null}
    </Box>
  );
}

/** React does not know the attribute that makes a field one for folders. */
const FOLDER = { webkitdirectory: '' };
