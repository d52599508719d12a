import type { PageChangeRecord } from '@retoque/contract';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { changeHolding } from '../../anew/change-of';
import { usePageChanges } from '../../api/queries';
import { engine } from '../../engine/engine';
import { surveyPath } from '../../shell/paths';
import { tellDone, tellProblem, toaster } from '../../shell/toasts';
import { useSteady } from '../../shell/useSteady';
import type { Styled } from './useOpened';

/** Markup of the owner's own that stands on the page in place of the component, or holds it. */
export function usePageMarkup({ site, page, versionId, component }: Styled, onKept: () => void) {
  const navigate = useNavigate();
  const { add, remove, restore } = usePageChanges(page.id);
  const held = useMemo(
    () => changeHolding(page.version.changes, component.locator.selector),
    [page.version.changes, component.locator.selector],
  );

  const takeBack = useSteady((change: PageChangeRecord, leave: boolean) =>
    remove.mutate(change.id, {
      onSuccess: () => {
        tellDone(`“${change.name}” is off the page`, () => restore.mutate(change.id));
        if (leave) void navigate(surveyPath(site.id, page.id));
      },
      onError: tellProblem,
    }),
  );
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
  const makeReal = (order: number, tag: 'a' | 'button') =>
    void engine()
      .asControl(versionId, order, tag)
      .then(
        ({ html, before }) => putInstead(html, before, `It is a real ${tag === 'a' ? 'link' : 'button'} here now.`),
        tellProblem,
      );

  return { held, takeBack, keepWording, makeReal, adding: add.isPending, removing: remove.isPending };
}
