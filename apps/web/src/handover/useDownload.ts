import type { Component } from '@retoque/contract';
import { useMutation } from '@tanstack/react-query';
import { callFile } from '../api/client';
import { saveFile } from '../shell/save-file';

/** Takes all files of a handover home as one folder; the server works it out again from what is stored. */
export function useDownload(siteId: string, chosen: readonly Component[]) {
  const { mutate, isPending, error } = useMutation({
    mutationFn: () =>
      callFile(`/sites/${siteId}/handovers`, {
        method: 'POST',
        body: { host: 'folder', components: chosen.map(({ id }) => id) },
      }),
    onSuccess: ({ blob, name }) => saveFile(blob, name),
  });
  return { start: () => mutate(), isPending, error };
}
