import type { AddChange, PageChangeRecord } from '@retoque/contract';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { changesHolding } from '../../anew/change-of';
import { usePageChanges } from '../../api/queries';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { surveyPath } from '../../shell/paths';
import { tellDone, tellProblem } from '../../shell/toasts';
import { useSteady } from '../../shell/useSteady';
import type { LookEditor } from '../look/useLookEditor';
import type { Styled } from './useOpened';

/**
 * Markup of the owner's own that stands on the page in place of the component, or holds it.
 *
 * @param selector what reaches the component on this page now
 */
export function useOwnMarkup(
  { site, page, component }: Styled,
  ref: ComponentRef,
  editor: Pick<LookEditor, 'look' | 'replace'>,
  selector: string,
) {
  const navigate = useNavigate();
  const { add, remove, restore } = usePageChanges(page.id);
  const held = useMemo(() => changesHolding(page.version.changes, selector), [page.version.changes, selector]);

  const takeBack = useSteady(async (changes: readonly PageChangeRecord[], leave: boolean) => {
    try {
      for (const { id } of changes) await remove.mutateAsync(id);
      tellDone(`“${changes[0]!.name}” is ${leave ? 'off the page' : 'as on your site'}`, async () => {
        // One after the other: each answer is the page with what came before.
        for (const { id } of [...changes].reverse()) await restore.mutateAsync(id);
      });
      if (leave) void navigate(surveyPath(site.id, page.id));
    } catch (problem) {
      tellProblem(problem as Error);
    }
  });

  const makeReal = useSteady(async (tag: 'a' | 'button') => {
    const { look: before } = editor;
    try {
      const { changes, look } = await engine().asControls(ref, before, tag);
      // First, as what is on the screen is drawn anew with the page.
      const isOther = JSON.stringify(look) !== JSON.stringify(before);
      const what = tag === 'a' ? 'link' : 'button';
      if (isOther) editor.replace(look, `Texts made ${what}s`);
      const made: string[] = [];
      for (const change of changes) {
        const { version } = await add.mutateAsync({
          kind: null,
          name: component.name,
          place: 'instead',
          ...change,
          locator: structuredClone(change.locator) as AddChange['locator'],
        });
        made.unshift(version.changes.at(-1)!.id);
      }
      tellDone(changes.length === 1 ? `It is a real ${what} now` : `They are real ${what}s now`, async () => {
        for (const id of made) await remove.mutateAsync(id);
        if (isOther) editor.replace(before, `Texts again`);
      });
    } catch (problem) {
      tellProblem(problem as Error);
    }
  });

  return { held, takeBack, makeReal, busy: add.isPending || remove.isPending };
}
