import { Notice } from '../../shell/Notice';
import { Button } from '../../theme/Button';

/** Offers to make a real control of a block of text that only looks like one. */
export default function Imposter({ busy, onMake }: { busy: boolean; onMake: (tag: 'a' | 'button') => void }) {
  return (
    <div className="note" data-testid="imposter">
      <Notice tone="short">
        This is text made to look like a button: no keyboard reaches it, and no screen reader says what it is.{' '}
        <Button variant="quiet" size="s" disabled={busy} onClick={() => onMake('a')}>
          Make it a link
        </Button>
        <Button variant="quiet" size="s" disabled={busy} onClick={() => onMake('button')}>
          Make it a button
        </Button>
      </Notice>
    </div>
  );
}
