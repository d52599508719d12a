import { Box, Dialog, Field, Flex, Input, Portal, Tabs, Textarea } from '@chakra-ui/react';
import { DialogClose } from '../shell/DialogClose';
import { zodResolver } from '@hookform/resolvers/zod';
import type { Site, SiteChoice } from '@retoque/contract';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { useBringPage, type Bring } from '../api/queries';
import { Notice } from '../shell/Notice';
import { surveyPath } from '../shell/paths';
import { Button } from '../theme/Button';
import { problemWith, type ChosenFile } from './chosen-files';
import { FileChooser } from './FileChooser';

const NEW_SITE = 'new';

const formSchema = z
  .object({
    by: z.enum(['address', 'upload', 'paste']),
    siteId: z.string(),
    siteName: z.string().trim().max(120, 'Keep the name under 120 characters.'),
    address: z.string().trim(),
    name: z.string().trim().max(120, 'Keep the name under 120 characters.'),
    html: z.string(),
    css: z.string(),
  })
  .superRefine((form, context) => {
    const need = (path: keyof typeof form, message: string) =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (form.siteId === NEW_SITE && !form.siteName) need('siteName', 'Name the site, as you call it yourself.');
    if (form.by === 'address') {
      if (!form.address) need('address', 'Give the address of a page.');
      else if (!/^https?:\/\//i.test(form.address)) need('address', 'Start the address with http:// or https://.');
      else if (!URL.canParse(form.address)) need('address', 'That is not an address a browser could open.');
    }
    if (form.by === 'paste') {
      if (!form.name) need('name', 'Give the page a name.');
      if (!form.html.trim()) need('html', 'Paste the HTML of the page.');
    }
  });
type Form = z.infer<typeof formSchema>;

/** Brings a page: by its address, as files, or pasted. */
export function BringPage({
  site,
  sites,
  onClose,
}: {
  site: Site | undefined;
  sites: readonly Site[];
  onClose: () => void;
}) {
  const navigate = useNavigate();
  const bring = useBringPage();
  const running = useRef<AbortController | null>(null);
  const [files, setFiles] = useState<readonly ChosenFile[]>([]);
  const [pagePath, setPagePath] = useState<string>();
  const [filesError, setFilesError] = useState<string>();
  const form = useForm<Form>({
    resolver: zodResolver(formSchema),
    defaultValues: {
      by: 'address',
      siteId: site?.id ?? sites[0]?.id ?? NEW_SITE,
      siteName: '',
      address: '',
      name: '',
      html: '',
      css: '',
    },
  });
  const { errors } = form.formState;
  const by = form.watch('by');
  const siteId = form.watch('siteId');
  useEffect(() => () => running.current?.abort(), []);
  // The list of sites may come after the dialog; what somebody has chosen by then stays.
  const hasChosen = useRef(false);
  const usual = site?.id ?? sites[0]?.id;
  useEffect(() => {
    if (usual !== undefined && !hasChosen.current) form.setValue('siteId', usual);
  }, [usual, form]);

  const submit = form.handleSubmit((values) => {
    const choice: SiteChoice = values.siteId === NEW_SITE ? { name: values.siteName } : { id: values.siteId };
    const controller = new AbortController();
    running.current = controller;
    const { signal } = controller;
    let request: Bring;
    if (values.by === 'address') request = { by: 'address', site: choice, address: values.address, signal };
    else if (values.by === 'paste') {
      request = { by: 'paste', site: choice, name: values.name, html: values.html, css: values.css, signal };
    } else {
      const problem = problemWith(files);
      setFilesError(problem);
      if (problem) return;
      request = { by: 'upload', site: choice, files, page: pagePath, signal };
    }
    bring.mutate(request, {
      onSuccess: (page) => {
        onClose();
        void navigate(surveyPath(page.siteId, page.id));
      },
    });
  });

  const cancelled = bring.isError && running.current?.signal.aborted === true;
  return (
    <Dialog.Root open onOpenChange={({ open }) => !open && onClose()} closeOnInteractOutside={false}>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <form onSubmit={(event) => void submit(event)} noValidate>
              <Dialog.Header>
                <Dialog.Title>Bring a page</Dialog.Title>
                <Box color="ink2" mt="3px">
                  Retoque takes a copy. Scripts are left out, and nothing on your site is changed.
                </Box>
              </Dialog.Header>
              <DialogClose />
              <Dialog.Body display="grid" gap="14px">
                <Tabs.Root value={by} onValueChange={({ value }) => form.setValue('by', value as Form['by'])} lazyMount>
                  <Tabs.List>
                    <Tabs.Trigger value="address">By address</Tabs.Trigger>
                    <Tabs.Trigger value="upload">Files</Tabs.Trigger>
                    <Tabs.Trigger value="paste">Paste</Tabs.Trigger>
                  </Tabs.List>
                  <Tabs.Content value="address">
                    <Labelled
                      label="Address of the page"
                      error={errors.address?.message}
                      help="The page is fetched with the stylesheets, pictures and fonts it links. It must be open to the public."
                    >
                      <Input
                        {...form.register('address')}
                        type="url"
                        inputMode="url"
                        placeholder="https://"
                        autoComplete="off"
                      />
                    </Labelled>
                  </Tabs.Content>
                  <Tabs.Content value="upload">
                    <FileChooser
                      files={files}
                      page={pagePath}
                      error={filesError}
                      onChange={(chosen) => (setFiles(chosen), setFilesError(undefined))}
                      onPage={setPagePath}
                    />
                  </Tabs.Content>
                  <Tabs.Content value="paste">
                    <Box display="grid" gap="12px">
                      <Labelled label="Name of the page" error={errors.name?.message}>
                        <Input {...form.register('name')} autoComplete="off" />
                      </Labelled>
                      <Labelled label="HTML" error={errors.html?.message}>
                        <Textarea
                          {...form.register('html')}
                          rows={6}
                          fontFamily="mono"
                          fontSize="12px"
                          spellCheck={false}
                        />
                      </Labelled>
                      <Labelled label="CSS, if it is not in the HTML" error={errors.css?.message}>
                        <Textarea
                          {...form.register('css')}
                          rows={5}
                          fontFamily="mono"
                          fontSize="12px"
                          spellCheck={false}
                        />
                      </Labelled>
                    </Box>
                  </Tabs.Content>
                </Tabs.Root>
                <Flex gap="12px" direction={{ base: 'column', md: 'row' }}>
                  <Labelled label="Site">
                    <Box
                      asChild
                      width="100%"
                      height="32px"
                      px="7px"
                      bg="card"
                      border="1px solid {colors.edge}"
                      borderRadius="m"
                      fontSize="13px"
                    >
                      <select
                        aria-label="Site"
                        {...form.register('siteId', { onChange: () => (hasChosen.current = true) })}
                      >
                        {sites.map((item) => (
                          <option key={item.id} value={item.id}>
                            {item.name}
                          </option>
                        ))}
                        <option value={NEW_SITE}>A new site</option>
                      </select>
                    </Box>
                  </Labelled>
                  {siteId === NEW_SITE ? (
                    <Labelled label="Name of the new site" error={errors.siteName?.message}>
                      <Input {...form.register('siteName')} autoComplete="off" />
                    </Labelled>
                  ) : null}
                </Flex>
                {bring.isError && !cancelled ? <Notice tone="short">{bring.error.message}</Notice> : null}
                {cancelled ? <Notice>Cancelled. Nothing was stored.</Notice> : null}
              </Dialog.Body>
              <Dialog.Footer>
                {bring.isPending ? (
                  <>
                    <Box role="status" color="ink2" mr="auto">
                      {by === 'address' ? 'Fetching the page and what it links…' : 'Reading the page…'}
                    </Box>
                    <Button type="button" onClick={() => running.current?.abort()}>
                      Cancel
                    </Button>
                  </>
                ) : (
                  <>
                    <Button type="button" onClick={onClose}>
                      Not now
                    </Button>
                    <Button type="submit" variant="solid">
                      Bring the page
                    </Button>
                  </>
                )}
              </Dialog.Footer>
            </form>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

/**
 * A field with its label. Where help is given, an error takes its place in the same room: a dialog that changed its
 * height would move its buttons away from under the pointer.
 */
function Labelled({
  label,
  error,
  help,
  children,
}: {
  label: string;
  error?: string | undefined;
  help?: string;
  children: ReactNode;
}) {
  return (
    <Field.Root invalid={Boolean(error)} flex="1" width="100%" display="grid" gap="4px">
      <Field.Label fontWeight={600} fontSize="12.5px">
        {label}
      </Field.Label>
      {children}
      <Box fontSize="12.5px" minHeight={help ? '40px' : undefined} pt={help ? '3px' : undefined}>
        {error ? <Field.ErrorText color="short">{error}</Field.ErrorText> : null}
        {help && !error ? <Field.HelperText color="ink2">{help}</Field.HelperText> : null}
      </Box>
    </Field.Root>
  );
}
