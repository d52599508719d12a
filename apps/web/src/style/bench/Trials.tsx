import { Flex } from '@chakra-ui/react';
import type { Component } from '@retoque/contract';
import { useState } from 'react';
import { Segments } from '../../shell/Segments';
import { late } from '../../shell/late';
import { PopMenu } from '../../shell/PopMenu';
import { Button } from '../../theme/Button';

const VersionChoices = late(() => import('./VersionChoices'));

/** Rival looks of one component: which is in hand, and another beside it. */
export function Trials({
  component,
  busy,
  compared,
  onChoose,
  onAdd,
  onCompare,
}: {
  component: Component;
  busy: boolean;
  /** True where all of them are shown. */
  compared: boolean;
  onChoose: (id: string) => void;
  onAdd: () => void;
  onCompare: () => void;
}) {
  const { trials, currentTrialId: current } = component;
  const [isOpen, setOpen] = useState(false);
  const inHand = trials.find(({ id }) => id === current)!;
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
        title="Try another look, kept beside this one"
        aria-label="Add a version"
        disabled={busy}
        onClick={onAdd}
      >
        +
      </Button>
      <PopMenu
        title={`Version “${inHand.name}”`}
        width="270px"
        open={isOpen}
        onOpenChange={setOpen}
        trigger={
          <Button variant="quiet" size="s" aria-label="Rename or discard the version" title="Rename or discard it">
            ⋯
          </Button>
        }
      >
        {isOpen ? (
          <VersionChoices key={inHand.id} component={component} trial={inHand} onClose={() => setOpen(false)} />
        ) : null}
      </PopMenu>
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
