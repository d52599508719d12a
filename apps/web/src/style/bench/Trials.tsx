import { Flex } from '@chakra-ui/react';
import type { Trial } from '@retoque/contract';
import { Segments } from '../../shell/Segments';
import { Button } from '../../theme/Button';

/** Rival looks of one component: which is in hand, and another beside it. */
export function Trials({
  trials,
  current,
  busy,
  compared,
  onChoose,
  onAdd,
  onCompare,
}: {
  trials: readonly Trial[];
  current: string;
  busy: boolean;
  /** True where all of them are shown. */
  compared: boolean;
  onChoose: (id: string) => void;
  onAdd: () => void;
  onCompare: () => void;
}) {
  return (
    <Flex gap="4px" alignItems="center">
      <Segments
        label="Versions"
        value={current}
        choices={trials.map((item) => ({
          value: item.id,
          label: trials.length > 1 ? item.name : `Version ${item.name}`,
        }))}
        onChange={onChoose}
      />
      <Button
        variant="quiet"
        size="s"
        title="Try a rival look, kept beside this one"
        aria-label="Add a version"
        disabled={busy}
        onClick={onAdd}
      >
        +
      </Button>
      {trials.length > 1 ? (
        <Button
          variant={compared ? 'outline' : 'quiet'}
          size="s"
          title="Show the other versions under this one"
          aria-pressed={compared}
          onClick={onCompare}
        >
          Compare
        </Button>
      ) : null}
    </Flex>
  );
}
