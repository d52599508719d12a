import { REST, type FoundComponent } from '@retoque/core';
import { useCallback, useState } from 'react';
import { useNavigate } from 'react-router';
import { useOpenComponent } from '../api/queries';
import type { FoundWithChecks, Takeable } from '../engine/protocol';
import { stylePath } from '../shell/paths';
import { tellProblem } from '../shell/toasts';
import type { PointedAt } from './TakeMenu';

/** Taking something of a page: the component that is clicked, or anything else from what is proposed for it. */
export function useTaking(siteId: string, pageId: string) {
  const navigate = useNavigate();
  const [asked, setAsked] = useState<PointedAt>();
  /** True while every click asks what to take. */
  const [anything, setAnything] = useState(false);
  /** What is pointed at in what is proposed. */
  const [proposed, setProposed] = useState<Takeable>();
  const { mutateAsync, isPending } = useOpenComponent();

  const take = useCallback(
    ({ kind, name, locator }: FoundComponent, order?: number) =>
      // Whatever is drawn again meanwhile: who has clicked is taken there.
      void mutateAsync({ pageId, kind, name, locator: structuredClone(locator) as never }).then(
        (stored) => navigate(stylePath(siteId, pageId, stored.id, order)),
        tellProblem,
      ),
    [mutateAsync, navigate, siteId, pageId],
  );
  const click = useCallback(
    (component: FoundWithChecks | undefined, at: PointedAt) => {
      if (component && component.region !== REST && !anything) take(component, at.order);
      else setAsked(at);
    },
    [take, anything],
  );
  const close = useCallback(() => {
    setAsked(undefined);
    setProposed(undefined);
  }, []);
  return { busy: isPending, asked, ask: setAsked, anything, setAnything, proposed, setProposed, take, click, close };
}
