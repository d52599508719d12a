import type { AddChange, PageChangeRecord } from '@retoque/contract';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { changesHolding } from '../../anew/change-of';
import { usePageChanges } from '../../api/queries';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { surveyPath } from '../../shell/paths';
import { tellDone, tellProblem, toaster } from '../../shell/toasts';
import { useSteady } from '../../shell/useSteady';
import type { LookEditor } from '../look/useLookEditor';
import type { Styled } from './useOpened';

/** Markup of the owner's own that stands on the page in place of the component, or holds it. */
export function usePageMarkup(
  { site, page, component }: Styled,
  ref: ComponentRef,
  editor: Pick<LookEditor, 'look' | 'replace'>,
  /** What reaches the component on this page now. */
  selector: string,
  onKept: () => void,
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
  const putInstead = (html: string, before: string, words: string) =>
    add.mutate(
      { kind: null, name: component.name, locator: component.locator, place: 'instead', html, css: '', before },
      {
        onSuccess: () => {
          onKept();
          toaster.create({ title: words });
        },
        onError: tellProblem,
      },
    );
  const keepWording = useSteady((html: string, before: string) =>
    putInstead(html, before, 'The page here has the new wording. Take the HTML along when you hand over.'),
  );
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

  return { held, takeBack, keepWording, makeReal, adding: add.isPending, removing: remove.isPending };
}
