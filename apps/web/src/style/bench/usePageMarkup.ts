import { usePageChanges } from '../../api/queries';
import { tellProblem, toaster } from '../../shell/toasts';
import { useSteady } from '../../shell/useSteady';
import type { Styled } from './useOpened';

/** Another wording of the component, put onto the page in place of its own. */
export function usePageMarkup({ page, component }: Styled, onKept: () => void) {
  const { add } = usePageChanges(page.id);
  const keepWording = useSteady((html: string, before: string) =>
    add.mutate(
      { kind: null, name: component.name, locator: component.locator, place: 'instead', html, css: '', before },
      {
        onSuccess: () => {
          onKept();
          toaster.create({ title: 'The page here has the new wording. Take the HTML along when you hand over.' });
        },
        onError: tellProblem,
      },
    ),
  );
  return { keepWording, adding: add.isPending };
}
