import { MousePointerClick } from 'lucide-react';
import { Button } from '../../theme/Button';

/** Opens the page with the look on it, to be tried. */
export function PreviewButton({ onOpen }: { onOpen: () => void }) {
  return (
    <Button size="s" title="Try it live, or before and after (L)" onClick={onOpen}>
      <MousePointerClick aria-hidden="true" />
      Try it live
    </Button>
  );
}
