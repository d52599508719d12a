import { Box, Dialog, Flex, Portal } from '@chakra-ui/react';
import type { Site } from '@retoque/contract';
import { asFileName } from '@retoque/core';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { surveyEngine } from '../engine/engine';
import { Progress } from '../ledger/Progress';
import { useSitePages, useSiteWork } from '../ledger/useSiteWork';
import { PageInScheme } from '../palette/PageInScheme';
import { DialogClose } from '../shell/DialogClose';
import { Notice } from '../shell/Notice';
import { PageSelect } from '../shell/PageSelect';
import { saveFile } from '../shell/save-file';
import { Segments } from '../shell/Segments';
import { tellProblem, toaster } from '../shell/toasts';
import { Button } from '../theme/Button';
import { shownAsFile, type WorkedOut } from './save-shown';
import { figuresOf } from './show-page';
import { versionsOfSite } from './site-versions';

/** A page in all versions of the site: looked at one after the other, and saved as one file to be shown to somebody. */
export default function ShowVersions({
  site,
  pageId: first,
  onClose,
}: {
  site: Site;
  pageId: string;
  onClose: () => void;
}) {
  const [pageId, setPageId] = useState(first);
  const [shown, setShown] = useState('0');
  const [busy, setBusy] = useState(false);
  const pages = useSitePages(site);
  const index = Math.max(
    0,
    site.pages.findIndex(({ id }) => id === pageId),
  );
  const page = site.pages[index];
  const version = pages.at?.versions[index];
  const answer = useSiteWork(['versions', pageId], pages.at, async (at, onStep): Promise<WorkedOut[]> => {
    const versions = versionsOfSite(pages.components ?? []);
    const worked: WorkedOut[] = [];
    for (const [done, own] of versions.entries()) {
      worked.push({ ...own, under: await surveyEngine().pageUnder(at, at.versions[index]!, own.looks) });
      await onStep(done + 1, versions.length);
    }
    return worked;
  });
  const worked = answer.data ?? [];
  const own = worked[Number(shown)] ?? worked[0];
  const save = async () => {
    if (!page || version === undefined) return;
    setBusy(true);
    try {
      const { html, missing } = await shownAsFile(site.name, page.name, version, worked);
      saveFile(new Blob([html], { type: 'text/html' }), `${asFileName(page.name) || 'page'}-versions.html`);
      if (missing)
        toaster.create({ title: `${missing} pictures or fonts could not be had; they are missing in the file.` });
    } catch (error) {
      tellProblem(error as Error);
    } finally {
      setBusy(false);
    }
  };
  const error = pages.error ?? answer.error;
  return (
    <Dialog.Root open onOpenChange={({ open }) => !open && onClose()}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content maxWidth="1080px">
            <Dialog.Header>
              <Dialog.Title>Versions of the site</Dialog.Title>
              <Box color="ink2" mt="3px">
                Each component in the version of that name. Saved as one file, they can be shown to anybody, without
                Retoque.
              </Box>
            </Dialog.Header>
            <DialogClose />
            <Dialog.Body>
              {error ? (
                <Notice tone="short">{error.message}</Notice>
              ) : !own ? (
                <Progress words="Measuring each version…" {...answer.progress} />
              ) : (
                <>
                  <Flex gap="12px" alignItems="center" flexWrap="wrap" mb="10px">
                    <Segments
                      label="Version"
                      value={shown}
                      choices={worked.map(({ name }, i) => ({ value: String(i), label: name }))}
                      onChange={setShown}
                    />
                    <PageSelect pages={site.pages} value={pageId} onChange={setPageId} width="280px" />
                    <Box color={own.under.failing ? 'short' : 'ink2'}>{figuresOf(own.under)}</Box>
                  </Flex>
                  <PageInScheme
                    version={version}
                    scheme="light"
                    css={own.under.css}
                    worn={pages.worn}
                    height="min(520px, 55vh)"
                  />
                </>
              )}
            </Dialog.Body>
            <Dialog.Footer>
              <Button onClick={onClose}>Close</Button>
              <Button variant="solid" disabled={busy || !own} onClick={() => void save()}>
                <Download aria-hidden="true" />
                {busy ? 'Saving…' : 'Save as one page'}
              </Button>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
