import type { SiteAsset } from '@retoque/contract';
import { useState } from 'react';
import { useSiteAssetChanges } from './queries';

/**
 * Uploads files to a site; what is refused is said file by file, and the rest is taken.
 *
 * @param onAdded told what was taken, and whether that was all
 */
export function useUpload(siteId: string, onAdded: (added: readonly SiteAsset[], isWhole: boolean) => void) {
  const { upload } = useSiteAssetChanges(siteId);
  const [problems, setProblems] = useState<readonly string[]>([]);
  return {
    busy: upload.isPending,
    problems,
    onFiles: (files: readonly File[]) => {
      setProblems([]);
      upload.mutate(files, {
        onSuccess: ({ added, refused }) => {
          setProblems(refused.map(({ name, problem }) => `${name}: ${problem}`));
          if (added.length) onAdded(added, !refused.length);
        },
        onError: (error) => setProblems([error.message]),
      });
    },
  };
}
