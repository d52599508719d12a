import { Flex } from '@chakra-ui/react';
import type { PageChangeRecord } from '@retoque/contract';
import { usePageChanges } from '../api/queries';
import { Notice } from '../shell/Notice';
import { tellDone, tellProblem } from '../shell/toasts';
import { Button } from '../theme/Button';

/** Changes that cannot be put into the page, each with its reason and a way to be rid of it. */
export function SetAside({ pageId, changes }: { pageId: string; changes: readonly PageChangeRecord[] }) {
  const { remove, restore } = usePageChanges(pageId);
  const takeOff = ({ id, name }: PageChangeRecord) =>
    remove.mutate(id, {
      onSuccess: () => tellDone(`“${name}” is taken off`, () => restore.mutate(id, { onError: tellProblem })),
      onError: tellProblem,
    });
  return changes.map((change) =>
    change.applied ? null : (
      <Notice key={change.id} tone="short">
        <Flex gap="8px" alignItems="center" flexWrap="wrap">
          <span>
            “{change.name}”, which was added here, is left out:{' '}
            {change.problem ?? 'its place is no longer on the page.'}
          </span>
          <Button size="s" disabled={remove.isPending} onClick={() => takeOff(change)}>
            Take it off
          </Button>
        </Flex>
      </Notice>
    ),
  );
}
