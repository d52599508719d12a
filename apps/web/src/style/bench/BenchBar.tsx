import { Flex } from '@chakra-ui/react';
import { FileCode2, Redo2, Undo2 } from 'lucide-react';
import { Link } from 'react-router';
import { AppBar } from '../../shell/AppBar';
import { useFollowing } from '../../shell/useFollowing';
import { handoverPath } from '../../shell/paths';
import { stepsOf } from '../../shell/steps';
import { Button } from '../../theme/Button';
import type { History } from '../look/history';
import { HistoryMenu } from '../look/HistoryMenu';
import { SaveStatus } from '../saving/SaveStatus';
import type { SaveState } from '../saving/look-saver';

/** The bar of the Style screen: whether the work is safe, its history, and where it goes next. */
export function BenchBar({
  siteName,
  siteId,
  pageId,
  componentId,
  save,
  history,
  onRetry,
  onUndo,
  onRedo,
  onGo,
}: {
  siteName: string;
  siteId: string;
  pageId: string;
  componentId: string;
  save: SaveState;
  history: History;
  onRetry: () => void;
  onUndo: () => void;
  onRedo: () => void;
  onGo: (steps: number) => void;
}) {
  // What an edit shows comes first, then what it is called.
  const { past, future } = useFollowing(history);
  return (
    <AppBar site={siteName} steps={stepsOf(siteId, pageId, componentId)}>
      <SaveStatus state={save} onRetry={onRetry} />
      <Flex>
        <Button
          variant="barQuiet"
          size="icon"
          aria-label="Undo"
          title={`Undo ${past.at(-1)?.name ?? ''} (Ctrl Z)`}
          disabled={!past.length}
          onClick={onUndo}
        >
          <Undo2 aria-hidden="true" />
        </Button>
        <Button
          variant="barQuiet"
          size="icon"
          aria-label="Redo"
          title={`Redo ${future[0]?.name ?? ''} (Ctrl Shift Z)`}
          disabled={!future.length}
          onClick={onRedo}
        >
          <Redo2 aria-hidden="true" />
        </Button>
        <HistoryMenu past={past} future={future} onGo={onGo} />
      </Flex>
      <Button asChild variant="bar">
        <Link to={handoverPath(siteId, pageId, componentId)}>
          <FileCode2 aria-hidden="true" />
          Take the CSS
        </Link>
      </Button>
    </AppBar>
  );
}
