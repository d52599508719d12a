import { paletteSchema, PROBLEM, type Palette, type Site } from '@retoque/contract';
import type { SitePalette } from '@retoque/core';
import { useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { ProblemError } from '../api/client';
import { savePalette, siteQuery } from '../api/queries';
import { tellDone, tellProblem } from '../shell/toasts';
import { useSteady } from '../shell/useSteady';

/** The palette of a site, and the one way to change it: a named step that can be undone. */
export function usePalette(site: Site) {
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const { queryKey } = siteQuery(site.id);
  const now = () => client.getQueryData(queryKey)?.palette ?? site.palette;
  const put = (palette: Palette) =>
    client.setQueryData(queryKey, (known: Site | undefined) => known && { ...known, palette });
  // One save at a time, so that each is made on the revision that the last one gave.
  const last = useRef<Promise<unknown>>(Promise.resolve());

  const save = async ({ swatches, handedOverAs }: SitePalette): Promise<Palette> => {
    const body = { swatches: [...swatches], handedOverAs, baseRevision: now().revision };
    try {
      const saved = await savePalette(site.id, body);
      put(saved);
      return saved;
    } catch (error) {
      const isConflict = error instanceof ProblemError && error.problem.type === PROBLEM.conflict;
      // The newer one is shown, so that the change can be made on it.
      const newer = isConflict ? paletteSchema.safeParse((error.body as { current?: unknown }).current) : undefined;
      if (newer?.success) put(newer.data);
      throw error;
    }
  };

  /**
   * @param name of the step, as the notice has it that offers to undo it
   * @param also what is done before, with what takes it back
   * @returns false where it was not saved; the problem is told then
   */
  const change = useSteady(
    async (next: SitePalette, name: string, also?: () => Promise<() => Promise<unknown>>): Promise<boolean> => {
      const before = now();
      setBusy(true);
      const work = last.current.then(async () => {
        const undoOthers = await also?.();
        await save(next);
        tellDone(name, () => {
          last.current = last.current
            .then(() => save({ ...now(), swatches: before.swatches, handedOverAs: before.handedOverAs }))
            .then(() => undoOthers?.())
            .catch(tellProblem);
        });
      });
      last.current = work.catch(() => undefined);
      try {
        await work;
        return true;
      } catch (error) {
        tellProblem(error as Error);
        return false;
      } finally {
        setBusy(false);
      }
    },
  );
  return { palette: site.palette, change, busy };
}
