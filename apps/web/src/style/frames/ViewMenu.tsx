import type { ViewportName } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { Eye } from 'lucide-react';
import { useState } from 'react';
import { late } from '../../shell/late';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { PopMenu } from '../../shell/PopMenu';
import { Button } from '../../theme/Button';
import { viewWords, type FramesView } from './frames-view';

const ViewChoices = late(() => import('./ViewChoices'));

const NOTHING: never[] = [];

/** How the frames show the component: what stands side by side, how near, on what, and what is open or missing. */
export function ViewMenu({
  component,
  viewport,
  view,
  onChange,
}: {
  component: ComponentRef | undefined;
  viewport: ViewportName;
  view: FramesView;
  onChange: (view: FramesView) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const openable = useQuery({
    queryKey: ['engine', 'openable', component && refKey(component), viewport],
    enabled: isOpen && component !== undefined,
    staleTime: Infinity,
    queryFn: () => engine().openable(component!, viewport),
  });
  const words = viewWords(view);
  return (
    <PopMenu
      open={isOpen}
      onOpenChange={setOpen}
      title="How the frames show it"
      width="348px"
      testId="view"
      trigger={
        <Button
          variant="quiet"
          size="s"
          title={words.length ? `Shown: ${words.join(', ')}` : 'What stands side by side, how near, and on what'}
        >
          <Eye aria-hidden="true" />
          View{words.length ? ` (${words.length})` : ''}
        </Button>
      }
    >
      <ViewChoices view={view} openable={openable.data ?? NOTHING} onChange={onChange} />
    </PopMenu>
  );
}
