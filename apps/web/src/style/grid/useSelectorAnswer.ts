import { useQuery } from '@tanstack/react-query';
import { engine } from '../../engine/engine';

/** What a selector reaches on a page, as it is typed; nothing is said of an empty one. */
export function useSelectorAnswer(versionId: string, text: string | undefined) {
  const { data } = useQuery({
    queryKey: ['engine', 'selector', versionId, text],
    enabled: Boolean(text?.trim()),
    staleTime: Infinity,
    queryFn: () => engine().trySelector(versionId, text!),
  });
  const count = data?.count;
  return {
    /** Undefined until it is known. */
    count,
    problem: data?.problem ?? (count === 0 ? 'That selector reaches nothing on this page.' : undefined),
    /** Empty until it is known. */
    words: count === undefined ? '' : `Reaches ${count} ${count === 1 ? 'element' : 'elements'}.`,
  };
}
