import type { Behaviour, GivenBehaviour } from '@retoque/core';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { engine } from '../engine/engine';
import type { ComponentRef } from '../engine/protocol';
import { tellProblem } from '../shell/toasts';

/** Gives a component of the page what its kind can do, and its markup does not. */
export default function GiveBehaviour({
  component,
  behaviours,
  busy,
  onGive,
}: {
  component: ComponentRef;
  behaviours: readonly Behaviour[];
  busy: boolean;
  onGive: (given: GivenBehaviour, label: string) => void;
}) {
  const [asking, setAsking] = useState(false);
  const give = async ({ name, label }: Behaviour) => {
    setAsking(true);
    try {
      onGive(await engine().giveBehaviour(component, name), label);
    } catch (problem) {
      tellProblem(problem as Error);
    } finally {
      setAsking(false);
    }
  };
  return behaviours.map((behaviour) => (
    <button
      key={behaviour.name}
      type="button"
      className="small-button"
      disabled={busy || asking}
      title="With a script that goes along when you hand over"
      onClick={() => void give(behaviour)}
    >
      <Plus aria-hidden="true" />
      {behaviour.label}
    </button>
  ));
}
