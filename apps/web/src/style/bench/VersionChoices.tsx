import { Flex } from '@chakra-ui/react';
import type { Component, Trial } from '@retoque/contract';
import { useState } from 'react';
import { useTrials } from '../../api/queries';
import { tellDone, tellProblem } from '../../shell/toasts';
import { Button } from '../../theme/Button';
import { Input } from '../../theme/Input';

/** Another name for the version in hand, or none of it any more. */
export default function VersionChoices({
  component,
  trial,
  onClose,
}: {
  component: Component;
  trial: Trial;
  onClose: () => void;
}) {
  const { rename, discard, restore } = useTrials(component.id);
  const [name, setName] = useState(trial.name);
  const isLast = component.trials.length === 1;
  const isSame = name.trim() === trial.name || !name.trim();
  const keepName = () =>
    rename.mutate({ trialId: trial.id, name: name.trim() }, { onSuccess: onClose, onError: tellProblem });
  const drop = () =>
    discard.mutate(trial.id, {
      onSuccess: () => {
        onClose();
        tellDone(`Version “${trial.name}” is discarded`, () =>
          restore.mutate({ trialId: trial.id, makeCurrent: true }, { onError: tellProblem }),
        );
      },
      onError: tellProblem,
    });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (!isSame) keepName();
      }}
    >
      <Input
        aria-label="Name of the version"
        value={name}
        maxLength={40}
        onChange={(event) => setName(event.target.value)}
      />
      <Flex gap="8px" mt="10px">
        <Button type="submit" size="s" variant="solid" disabled={isSame || rename.isPending}>
          Rename it
        </Button>
        <Button
          size="s"
          variant="quiet"
          disabled={isLast || discard.isPending}
          title={isLast ? 'A component keeps one version at least' : undefined}
          onClick={drop}
        >
          Discard it
        </Button>
      </Flex>
    </form>
  );
}
