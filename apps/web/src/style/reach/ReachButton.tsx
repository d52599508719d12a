import { Button } from '../../theme/Button';

/** How far the look reaches beyond the page in hand, and the way to see it there. */
export const ReachButton = ({ words, onOpen }: { words: string; onOpen: () => void }) =>
  words ? (
    <Button size="s" onClick={onOpen} title="See it on the other pages">
      {words}
    </Button>
  ) : null;
