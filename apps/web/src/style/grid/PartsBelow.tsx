import { Box, Flex } from '@chakra-ui/react';
import type { ViewportName } from '@retoque/core';
import { Crosshair, Plus } from 'lucide-react';
import { useState } from 'react';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { late } from '../../shell/late';
import { tellProblem } from '../../shell/toasts';
import { Button } from '../../theme/Button';
import { partNameProblem } from './PartName';
import { useSelectorAnswer } from './useSelectorAnswer';
import { Input } from '../../theme/Input';

const Pointing = late(() => import('./Pointing'));

interface Named {
  readonly name: string;
  readonly label: string;
}

/** A part in the making: one that was not found, or one of the owner's own. */
interface Draft {
  /** Absent for a new part, whose name is its label. */
  readonly name?: string;
  readonly label: string;
  readonly selector: string;
}

const NEW: Draft = { label: '', selector: '' };

/** The parts that the page has not, each of which can be pointed at, and the way to parts of one's own. */
export default function PartsBelow({
  component,
  viewport,
  missing,
  taken,
  onSet,
}: {
  component: ComponentRef;
  viewport: ViewportName;
  missing: readonly Named[];
  /** Names that parts have already. */
  taken: ReadonlySet<string>;
  onSet: (name: string, label: string, selector: string) => void;
}) {
  const [draft, setDraft] = useState<Draft | undefined>(NEW);
  const [pointing, setPointing] = useState(false);
  const point = (next: Draft) => {
    setDraft(next);
    setPointing(true);
  };
  const pick = (order: number) => {
    setPointing(false);
    engine()
      .selectorOf(component, order)
      .then((selector) => setDraft((now) => now && { ...now, selector }), tellProblem);
  };
  return (
    <>
      <Flex alignItems="center" gap="6px" flexWrap="wrap">
        {missing.length ? <span>Not on this page:</span> : null}
        {missing.map(({ name, label }) => (
          <Button
            key={name}
            variant="quiet"
            size="s"
            title={`Point at it on the page: ${label.toLowerCase()}`}
            onClick={() => point({ name, label, selector: '' })}
          >
            <Crosshair aria-hidden="true" />
            {label}
          </Button>
        ))}
        <Button size="s" onClick={() => setDraft(NEW)}>
          <Plus aria-hidden="true" />A part of your own
        </Button>
      </Flex>
      {draft ? (
        <PartForm
          versionId={component.versionId}
          draft={draft}
          taken={taken}
          onChange={setDraft}
          onPoint={() => point(draft)}
          onLeave={() => setDraft(undefined)}
          onSet={(name, label, selector) => {
            setDraft(undefined);
            onSet(name, label, selector);
          }}
        />
      ) : null}
      {pointing ? (
        <Pointing
          versionId={component.versionId}
          label={draft?.label || 'the new part'}
          viewport={viewport}
          onPick={pick}
          onClose={() => setPointing(false)}
        />
      ) : null}
    </>
  );
}

function problemOf({ name, label }: Draft, taken: ReadonlySet<string>): string | undefined {
  return name !== undefined || !label ? undefined : partNameProblem(label, taken);
}

function PartForm({
  versionId,
  draft,
  taken,
  onChange,
  onPoint,
  onLeave,
  onSet,
}: {
  versionId: string;
  draft: Draft;
  taken: ReadonlySet<string>;
  onChange: (draft: Draft) => void;
  onPoint: () => void;
  onLeave: () => void;
  onSet: (name: string, label: string, selector: string) => void;
}) {
  const { name, label, selector } = draft;
  const answer = useSelectorAnswer(versionId, selector);
  const problem = problemOf(draft, taken) ?? answer.problem;
  const isReady = Boolean(label && answer.count && !problem);
  return (
    <form
      aria-label={name === undefined ? 'A new part' : label}
      onSubmit={(event) => {
        event.preventDefault();
        if (isReady) onSet(name ?? label, label, selector.trim());
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onLeave();
      }}
    >
      <Flex gap="6px" mt="8px" flexWrap="wrap" alignItems="center">
        {name === undefined ? (
          <Input
            autoFocus
            width="160px"
            aria-label="Name of the part"
            placeholder="Name, such as Price"
            value={label}
            onChange={(event) => onChange({ ...draft, label: event.target.value.trimStart() })}
          />
        ) : (
          <b>{label}</b>
        )}
        <Input
          width="230px"
          fontFamily="mono"
          fontSize="12px"
          aria-label="Selector of the part"
          placeholder="Selector, or point at it"
          spellCheck={false}
          value={selector}
          onChange={(event) => onChange({ ...draft, selector: event.target.value })}
        />
        <Button type="button" size="icon" height="32px" aria-label="Point at the part on the page" onClick={onPoint}>
          <Crosshair aria-hidden="true" />
        </Button>
        <Button type="submit" variant="solid" size="s" disabled={!isReady}>
          {name === undefined ? 'Add it' : 'Use it'}
        </Button>
        <Button type="button" variant="quiet" size="s" onClick={onLeave}>
          Leave it
        </Button>
      </Flex>
      <Box role={problem ? 'alert' : 'status'} color={problem ? 'short' : 'ink2'} mt="4px" minHeight="17px">
        {problem ?? answer.words}
      </Box>
    </form>
  );
}
