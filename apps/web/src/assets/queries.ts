import {
  recodedSchema,
  shippedFontListSchema,
  siteAssetListSchema,
  siteAssetSchema,
  uploadedAssetsSchema,
  type Recode,
} from '@retoque/contract';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { call, callEmpty } from '../api/client';

export const siteAssetsQuery = (siteId: string) =>
  queryOptions({
    queryKey: ['site-assets', siteId],
    queryFn: async ({ signal }) => (await call(siteAssetListSchema, `/sites/${siteId}/assets`, { signal })).assets,
  });

export const shippedFontsQuery = queryOptions({
  queryKey: ['shipped-fonts'],
  staleTime: Infinity,
  queryFn: async ({ signal }) => (await call(shippedFontListSchema, '/fonts', { signal })).fonts,
});

/** What changes a site's files, each followed by the list as it then is. */
export function useSiteAssetChanges(siteId: string) {
  const client = useQueryClient();
  const path = `/sites/${siteId}/assets`;
  const onSuccess = () => client.invalidateQueries({ queryKey: ['site-assets', siteId] });
  return {
    upload: useMutation({
      mutationFn: (files: readonly File[]) => {
        const form = new FormData();
        for (const file of files) form.append('files', file);
        return call(uploadedAssetsSchema, path, { method: 'POST', form });
      },
      onSuccess,
    }),
    addShippedFont: useMutation({
      mutationFn: (id: string) => call(siteAssetSchema, `${path}/shipped-font`, { method: 'POST', body: { id } }),
      onSuccess,
    }),
    recode: useMutation({
      mutationFn: (body: Recode) => call(recodedSchema, `${path}/recode`, { method: 'POST', body }),
      onSuccess: (made) => (made.asset ? onSuccess() : undefined),
    }),
    remove: useMutation({ mutationFn: (id: string) => callEmpty(`${path}/${id}`, { method: 'DELETE' }), onSuccess }),
    restore: useMutation({
      mutationFn: (id: string) => call(siteAssetSchema, `${path}/${id}/restore`, { method: 'POST' }),
      onSuccess,
    }),
  };
}

export const assetSource = (hash: string): string => `/api/assets/${hash}`;
