import type { GivenBehaviour } from '@retoque/core';
import { usePageChanges } from '../../api/queries';
import { tellProblem, toaster } from '../../shell/toasts';
import { useSteady } from '../../shell/useSteady';
import type { Styled } from './useOpened';

/** Another wording of the component, put onto the page in place of its own. */
export function usePageMarkup({ page, component }: Styled, onKept: () => void) {
  const { add } = usePageChanges(page.id);
  const put = (markup: Omit<GivenBehaviour, 'css'> & { readonly css?: string }, told: string) =>
    add.mutate(
      { kind: null, name: component.name, locator: component.locator, place: 'instead', css: '', ...markup },
      {
        onSuccess: () => {
          onKept();
          toaster.create({ title: `${told} Take the HTML along when you hand over.` });
        },
        onError: tellProblem,
      },
    );
  const keepWording = useSteady((html: string, before: string) =>
    put({ html, before }, 'The page here has the new wording.'),
  );
  const keepBehaviour = useSteady((given: GivenBehaviour, label: string) =>
    put(given, `${label}: it can do that here now.`),
  );
  return { keepWording, keepBehaviour, adding: add.isPending };
}
