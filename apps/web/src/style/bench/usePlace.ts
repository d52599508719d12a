import type { EditingPlace, Exception, Look, ViewportName } from '@retoque/core';
import { useCallback, useMemo, useState } from 'react';
import { useSteady } from '../../shell/useSteady';
import { WIDTHS } from '../frames/frames-view';
import type { LookEditor } from '../look/useLookEditor';

type Condition = Omit<EditingPlace, 'viewport'>;

/** Where one is editing: at which width, on which page, in which scheme, with how much motion, and whose. */
export function usePlace(
  pageId: string,
  remembered?: { readonly viewport: ViewportName; readonly condition: Condition },
) {
  const [viewport, setViewport] = useState(remembered?.viewport ?? 'wide');
  const [condition, setCondition] = useState<Condition>(remembered?.condition ?? {});
  const place = useMemo(
    (): EditingPlace => ({ ...condition, viewport: viewport === 'wide' ? undefined : viewport }),
    [condition, viewport],
  );
  const changePlace = useCallback(({ viewport: _kept, ...rest }: EditingPlace) => setCondition(rest), []);
  return {
    viewport,
    setViewport,
    place,
    changePlace,
    setException: (exception: string | undefined) => setCondition((now) => ({ ...now, exception })),
    nextWidth: () => setViewport(WIDTHS[(WIDTHS.indexOf(viewport) + 1) % WIDTHS.length]!),
    togglePage: () => setCondition((now) => ({ ...now, page: now.page === undefined ? pageId : undefined })),
    toggleMotion: () => setCondition((now) => ({ ...now, motion: now.motion === undefined ? 'reduced' : undefined })),
    toggleScheme: () => setCondition((now) => ({ ...now, scheme: now.scheme === undefined ? 'dark' : undefined })),
  };
}
export type Placing = ReturnType<typeof usePlace>;

/** Adds and removes exceptions, and makes parts of members; one that is added is the one in hand, and one that is removed is not any more. */
export function useExceptions(editor: LookEditor, { place, setException }: Placing) {
  const add = useSteady((exception: Exception) => {
    editor.addException(exception);
    setException(exception.id);
  });
  const remove = useSteady((exception: Exception) => {
    editor.removeException(exception);
    if (place.exception === exception.id) setException(undefined);
  });
  const split = useSteady((change: (look: Look) => Look, name: string) => {
    editor.replace(change(editor.look), `“${name}” as a part of its own`);
    setException(undefined);
  });
  return { add, remove, split };
}
