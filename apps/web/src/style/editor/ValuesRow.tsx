import { Flex } from '@chakra-ui/react';
import {
  columnNamed,
  rowNamed,
  showRatio,
  type EditingPlace,
  type Look,
  type SheetPart,
  type ViewportName,
} from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { refKey } from '../../engine/ref-key';
import { Wedge } from '../../shell/Wedge';
import { Button } from '../../theme/Button';
import { worstCheck } from '../checks/worstCheck';
import { useHand } from './hand';
import { useReader } from '../grid/reading';
import { setCells } from '../look/look-commands';
import { cellsName } from '../look/useLookEditor';
import type { Compared } from '../look/useCompared';
import { MOST_COMPARED, withoutValue, withValue } from './compared-values';
import type { FramesView } from '../frames/frames-view';
import { lookShown } from '../frames/look-shown';
import { StateFrame } from '../frames/StateFrame';
import { Input } from '../../theme/Input';

interface Shown {
  readonly parts: readonly SheetPart[];
  readonly viewport: ViewportName;
  readonly place: EditingPlace;
  readonly view: FramesView;
}

/** Up to three values of one cell beside each other, each in the cell's state with its own figure. */
export default function ValuesRow({ compared, ...shown }: Shown & { compared: Compared }) {
  const { kind, compared: comparing } = useHand();
  return (
    <section aria-label="Values compared">
      <Flex alignItems="center" gap="10px" padding="0 14px 4px" flexWrap="wrap">
        <b>{cellsName(kind, [compared.address])}</b>
        {compared.texts.length < MOST_COMPARED ? (
          <AnotherValue row={compared.address.row} onAdd={(text) => comparing.set(withValue(compared, text))} />
        ) : (
          <span className="small">Three at once. Take one away to try another.</span>
        )}
        <Button size="s" variant="quiet" onClick={() => comparing.set(undefined)}>
          Close
        </Button>
      </Flex>
      <div className="frames" data-framing={shown.view.framing}>
        {compared.texts.map((text) => (
          <ValueFrame key={text} text={text} compared={compared} {...shown} />
        ))}
      </div>
    </section>
  );
}

/** A value that is typed to be looked at, and set nowhere. */
function AnotherValue({ row, onAdd }: { row: string; onAdd: (text: string) => void }) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const reader = useReader();
  const add = () => {
    const own = rowNamed(row);
    if (!own || !reader || !text.trim()) return;
    const read = reader.readTyped(own, text);
    if (!read.ok) return setProblem(read.problem);
    onAdd(text.trim());
    setText('');
  };
  return (
    <form
      className="line"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <Input
        width="150px"
        height="28px"
        fontSize="12px"
        fontFamily="mono"
        aria-label="Another value"
        placeholder="Another value"
        aria-invalid={problem !== undefined}
        aria-describedby={problem ? 'another-value-problem' : undefined}
        spellCheck={false}
        autoComplete="off"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setProblem(undefined);
        }}
      />
      <Button size="s" type="submit">
        Compare
      </Button>
      {problem ? (
        <span id="another-value-problem" role="alert" className="problem">
          {problem}
        </span>
      ) : null}
    </form>
  );
}

function ValueFrame({ text, compared, parts, viewport, place, view }: Shown & { text: string; compared: Compared }) {
  const { address } = compared;
  const row = rowNamed(address.row);
  const reader = useReader();
  const read = row && reader?.readTyped(row, text);
  const values = read?.ok ? read.values : undefined;
  const { component, look, kind, measured, onApply, compared: comparing } = useHand();
  const next = values ? setCells(look, [{ address, values }], parts, place, rowNamed) : look;
  const answer = useQuery({
    queryKey: ['engine', 'value', refKey(component), viewport, place, view.alone, address, text, measured, look],
    enabled: values !== undefined,
    staleTime: Infinity,
    gcTime: 0,
    placeholderData: (before: Awaited<ReturnType<typeof lookShown>> | undefined) => before,
    queryFn: () => lookShown(component, next, viewport, place, view.alone),
  });
  const check = answer.data && worstCheck(answer.data.checks, address.part, address.column);
  const use = () => {
    const before = new Set<Look['settings'][number]>(look.settings);
    onApply(
      next.settings.filter((setting) => !before.has(setting)),
      `${cellsName(kind, [address])}: ${text}`,
    );
    comparing.set(undefined);
  };
  return (
    <div className="compared" role="group" aria-label={text}>
      <div className="line">
        <code>{text}</code>
        {check?.measured === undefined ? null : (
          <Flex
            as="b"
            alignItems="center"
            gap="4px"
            fontFamily="mono"
            color={check.verdict === 'short' ? 'short' : 'ink'}
          >
            {check.verdict === 'short' ? <Wedge /> : null}
            {showRatio(check.measured)}
          </Flex>
        )}
        <Button size="s" variant="quiet" onClick={use}>
          Use
        </Button>
        <Button
          size="s"
          variant="quiet"
          aria-label={`Take ${text} away`}
          onClick={() => comparing.set(withoutValue(compared, text))}
        >
          Remove
        </Button>
      </div>
      {answer.data ? (
        <StateFrame
          component={component}
          part={address.part}
          column={columnNamed(address.column)!}
          viewport={viewport}
          place={place}
          exceptions={look.exceptions}
          view={view}
          named={false}
          look={answer.data.look}
          heatLook={view.heat ? next : undefined}
          check={check}
          selected={false}
          onSelect={use}
        />
      ) : null}
      {answer.error ? <span role="alert">{answer.error.message}</span> : null}
    </div>
  );
}
