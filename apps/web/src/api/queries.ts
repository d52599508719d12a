import {
  behaviourScriptSchema,
  componentListSchema,
  componentSchema,
  finishSchema,
  lookHistorySchema,
  pageSchema,
  paletteSchema,
  savedLookSchema,
  savedLooksSchema,
  siteListSchema,
  siteSchema,
  storageSchema,
  type AddChange,
  type AddFinish,
  type AddTrial,
  type ChangeSite,
  type Component,
  type FromAddress,
  type FromPaste,
  type OpenComponent,
  type Page,
  type SaveFinish,
  type SaveLook,
  type SaveLooks,
  type SavePalette,
  type SiteChoice,
} from '@retoque/contract';
import { queryOptions, useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { call, callEmpty } from './client';

/** Asked of the server whenever it is shown: another window may have changed it. */
export const ASKED_NOW = { staleTime: 0, refetchOnMount: 'always' } as const;

export const sitesQuery = queryOptions({
  queryKey: ['sites'],
  queryFn: async ({ signal }) => (await call(siteListSchema, '/sites', { signal })).sites,
});

/** The script of behaviours, by their names. */
export const scriptQuery = (names: readonly string[]) =>
  queryOptions({
    queryKey: ['script', ...names],
    queryFn: ({ signal }) => call(behaviourScriptSchema, `/behaviours/script?names=${names.join(',')}`, { signal }),
    enabled: names.length > 0,
    staleTime: Infinity,
  });

export const storageQuery = queryOptions({
  queryKey: ['storage'],
  queryFn: ({ signal }) => call(storageSchema, '/storage', { signal }),
});

export const siteQuery = (id: string) =>
  queryOptions({ queryKey: ['sites', id], queryFn: ({ signal }) => call(siteSchema, `/sites/${id}`, { signal }) });

export const pageQuery = (id: string) =>
  queryOptions({ queryKey: ['pages', id], queryFn: ({ signal }) => call(pageSchema, `/pages/${id}`, { signal }) });

/** Saves that are on their way, by component: what is asked for meanwhile waits for them. */
const saving = new Map<string, Promise<unknown>>();

export const componentsQuery = (siteId: string) =>
  queryOptions({
    queryKey: ['components', siteId],
    queryFn: async ({ signal }) => {
      await Promise.all(saving.values());
      return (await call(componentListSchema, `/sites/${siteId}/components`, { signal })).components;
    },
  });

/** The same as it is now, whatever was kept of it: an edit that was saved since changes what the site wears. */
export const componentsNow = (siteId: string) => queryOptions({ ...componentsQuery(siteId), ...ASKED_NOW });

export const componentQuery = (id: string) =>
  queryOptions({
    queryKey: ['component', id],
    queryFn: async ({ signal }) => {
      await saving.get(id);
      return call(componentSchema, `/components/${id}`, { signal });
    },
  });

/** The last looks of a version up to a revision, the newest first. */
export const lookHistoryQuery = (componentId: string, trialId: string, revision: number) =>
  queryOptions({
    queryKey: ['history', trialId, revision],
    staleTime: Infinity,
    queryFn: async ({ signal }) =>
      (
        await call(lookHistorySchema, `/components/${componentId}/trials/${trialId}/history?before=${revision + 1}`, {
          signal,
        })
      ).revisions,
  });

export type Bring =
  | ({ readonly by: 'address'; readonly signal: AbortSignal } & FromAddress)
  | ({ readonly by: 'paste'; readonly signal: AbortSignal } & FromPaste)
  | {
      readonly by: 'upload';
      readonly signal: AbortSignal;
      readonly site: SiteChoice;
      readonly files: readonly { readonly path: string; readonly file: File }[];
      /** The path of the page, where there are several. */
      readonly page: string | undefined;
    };

async function bring(request: Bring) {
  const { signal } = request;
  if (request.by === 'upload') {
    const form = new FormData();
    if ('id' in request.site) form.set('siteId', request.site.id);
    else form.set('siteName', request.site.name);
    form.set('paths', JSON.stringify(request.files.map(({ path }) => path)));
    if (request.page !== undefined) form.set('page', request.page);
    for (const { file } of request.files) form.append('files', file);
    return call(pageSchema, '/pages/from-upload', { method: 'POST', form, signal });
  }
  const { by, signal: _signal, ...body } = request;
  return call(pageSchema, `/pages/from-${by}`, { method: 'POST', body, signal });
}

export function useBringPage() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: bring,
    onSuccess: (page) => {
      client.setQueryData(pageQuery(page.id).queryKey, page);
      void client.invalidateQueries({ queryKey: storageQuery.queryKey });
      return client.invalidateQueries({ queryKey: ['sites'] });
    },
  });
}

export function useRefreshPage(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => call(pageSchema, `/pages/${id}/refresh`, { method: 'POST' }),
    onSuccess: (page) => {
      client.setQueryData(pageQuery(id).queryKey, page);
      return client.invalidateQueries({ queryKey: ['sites'] });
    },
  });
}

/** Changes of a page's markup; each answer is the page as it then is. */
export function usePageChanges(id: string) {
  const client = useQueryClient();
  const onSuccess = (page: Page) => {
    client.setQueryData(pageQuery(id).queryKey, page);
  };
  const path = `/pages/${id}/changes`;
  return {
    add: useMutation({ mutationFn: (body: AddChange) => call(pageSchema, path, { method: 'POST', body }), onSuccess }),
    remove: useMutation({
      mutationFn: (changeId: string) => call(pageSchema, `${path}/${changeId}`, { method: 'DELETE' }),
      onSuccess,
    }),
    restore: useMutation({
      mutationFn: (changeId: string) => call(pageSchema, `${path}/${changeId}/restore`, { method: 'POST' }),
      onSuccess,
    }),
  };
}

export function useRemoval(what: 'sites' | 'pages') {
  const client = useQueryClient();
  const refresh = () => {
    void client.invalidateQueries({ queryKey: storageQuery.queryKey });
    return client.invalidateQueries({ queryKey: ['sites'] });
  };
  return {
    remove: useMutation({
      mutationFn: (id: string) => callEmpty(`/${what}/${id}`, { method: 'DELETE' }),
      onSuccess: refresh,
    }),
    restore: useMutation({
      mutationFn: (id: string) => callEmpty(`/${what}/${id}/restore`, { method: 'POST' }),
      onSuccess: refresh,
    }),
  };
}

/** Deletes for good what was removed; nothing brings it back. */
export function usePurge() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => call(storageSchema, '/storage/purge', { method: 'POST' }),
    onSuccess: (storage) => client.setQueryData(storageQuery.queryKey, storage),
  });
}

export function useOpenComponent() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: openComponent,
    onSuccess: (component) => {
      client.setQueryData(componentQuery(component.id).queryKey, component);
      client.setQueryData(componentsQuery(component.siteId).queryKey, (known) =>
        known?.some(({ id }) => id === component.id)
          ? known.map((own) => (own.id === component.id ? component : own))
          : known && [...known, component],
      );
      void client.invalidateQueries({ queryKey: ['components', component.siteId] });
    },
  });
}

export function useChangeComponent(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { currentTrialId?: string; name?: string }) =>
      call(componentSchema, `/components/${id}`, { method: 'PATCH', body }),
    onSuccess: (component: Component) => client.setQueryData(componentQuery(id).queryKey, component),
  });
}

export function useAddTrial(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: AddTrial) => call(componentSchema, `/components/${id}/trials`, { method: 'POST', body }),
    onSuccess: (component: Component) => client.setQueryData(componentQuery(id).queryKey, component),
  });
}

/** Renames versions, discards them and puts them back. */
export function useTrials(id: string) {
  const client = useQueryClient();
  const onSuccess = (component: Component) => client.setQueryData(componentQuery(id).queryKey, component);
  const path = (trialId: string) => `/components/${id}/trials/${trialId}`;
  return {
    rename: useMutation({
      mutationFn: ({ trialId, name }: { trialId: string; name: string }) =>
        call(componentSchema, path(trialId), { method: 'PATCH', body: { name } }),
      onSuccess,
    }),
    discard: useMutation({
      mutationFn: (trialId: string) => call(componentSchema, path(trialId), { method: 'DELETE' }),
      onSuccess,
    }),
    restore: useMutation({
      mutationFn: ({ trialId, makeCurrent }: { trialId: string; makeCurrent: boolean }) =>
        call(componentSchema, `${path(trialId)}/restore`, { method: 'POST', body: { makeCurrent } }),
      onSuccess,
    }),
  };
}

export function useChangeSite(id: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: ChangeSite) => call(siteSchema, `/sites/${id}`, { method: 'PATCH', body }),
    onSuccess: (site) => {
      client.setQueryData(siteQuery(id).queryKey, site);
      return client.invalidateQueries({ queryKey: ['sites'] });
    },
  });
}

export function saveLook(componentId: string, trialId: string, body: SaveLook) {
  const saved = call(savedLookSchema, `/components/${componentId}/trials/${trialId}/look`, { method: 'PUT', body });
  const settled = saved.then(
    () => undefined,
    () => undefined,
  );
  saving.set(componentId, settled);
  void settled.then(() => {
    if (saving.get(componentId) === settled) saving.delete(componentId);
  });
  return saved;
}

/** Saves looks of several components, all or none; what is kept of them is asked for anew. */
export async function saveLooks(client: QueryClient, siteId: string, looks: SaveLooks['looks']) {
  const { saved } = await call(savedLooksSchema, `/sites/${siteId}/looks`, { method: 'PUT', body: { looks } });
  for (const { componentId } of saved) client.removeQueries({ queryKey: componentQuery(componentId).queryKey });
  await client.invalidateQueries({ queryKey: ['components', siteId] });
  return saved;
}

export const addFinish = (siteId: string, body: AddFinish) =>
  call(finishSchema, `/sites/${siteId}/finishes`, { method: 'POST', body });

/** Saves a finish on the one that it was changed on. */
export const saveFinish = (id: string, body: SaveFinish) =>
  call(finishSchema, `/finishes/${id}`, { method: 'PUT', body });

export const removeFinish = (id: string) => callEmpty(`/finishes/${id}`, { method: 'DELETE' });
export const restoreFinish = (id: string) => call(finishSchema, `/finishes/${id}/restore`, { method: 'POST' });

/** Saves the palette of a site on the one that it was changed on. */
export const savePalette = (siteId: string, body: SavePalette) =>
  call(paletteSchema, `/sites/${siteId}/palette`, { method: 'PUT', body });

export const openComponent = (body: OpenComponent) => call(componentSchema, '/components', { method: 'POST', body });
