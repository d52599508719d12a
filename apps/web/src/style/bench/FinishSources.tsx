import { Box, Flex } from '@chakra-ui/react';
import { readFinishFile, type AddFinish, type LookData } from '@retoque/contract';
import { coloursIn, type Look } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { surveyEngine } from '../../engine/engine';
import { Notice } from '../../shell/Notice';
import { late } from '../../shell/late';
import { Button } from '../../theme/Button';

const OtherSites = late(() => import('./OtherSites'));

/** The ground and the text of a look at rest, for a picture of it as small as a letter. */
function coloursOf({ settings }: Look): { readonly ground: string | undefined; readonly text: string | undefined } {
  const first = (property: string) =>
    settings
      .filter((setting) => setting.property === property && !setting.when.states.length)
      .flatMap(({ value }) => coloursIn(value).filter(({ colour }) => colour.alpha > 0.5))
      .map(({ text }) => text)[0];
  return { ground: first('background-color'), text: first('color') };
}

/** Finishes to begin with, those that were saved to a file, and those of the owner's other sites. */
export function FinishSources({
  siteId,
  kind,
  busy,
  onAdd,
  onMatch,
}: {
  siteId: string;
  kind: string;
  busy: boolean;
  onAdd: (finish: AddFinish) => void;
  onMatch: () => void;
}) {
  const [problem, setProblem] = useState<string>();
  const [isElsewhere, setElsewhere] = useState(false);
  const file = useRef<HTMLInputElement>(null);
  const starters =
    useQuery({
      queryKey: ['surveyor', 'starter looks', kind],
      staleTime: Infinity,
      queryFn: () => surveyEngine().starterLooks(kind),
    }).data ?? [];
  const bring = async (chosen: File | undefined) => {
    if (!chosen) return;
    const read = readFinishFile(await chosen.text());
    setProblem(read.ok ? undefined : read.problem);
    if (read.ok) onAdd(read.finish);
  };
  return (
    <Box mt="12px" pt="10px" borderTop="1px solid {colors.lineSoft}">
      {starters.length ? (
        <>
          <Box color="ink2" mb="6px">
            Or start from one that passes every check on a light page:
          </Box>
          <Flex gap="6px" flexWrap="wrap" role="group" aria-label="Finishes to start from">
            {starters.map(({ name, look }) => {
              const { ground, text } = coloursOf(look);
              return (
                <Button
                  key={name}
                  size="s"
                  disabled={busy}
                  onClick={() => onAdd({ kind, name, look: look as LookData })}
                >
                  <span
                    aria-hidden="true"
                    style={{
                      width: 16,
                      height: 16,
                      borderRadius: 3,
                      background: ground ?? '#fff',
                      color: text,
                      boxShadow: 'inset 0 0 0 1px rgb(0 0 0 / 25%)',
                      font: '700 11px/16px sans-serif',
                      textAlign: 'center',
                    }}
                  >
                    a
                  </span>
                  {name}
                </Button>
              );
            })}
          </Flex>
        </>
      ) : null}
      <Flex gap="4px" mt="8px" flexWrap="wrap">
        <Button size="s" variant="quiet" disabled={busy} onClick={() => file.current?.click()}>
          Bring one from a file…
        </Button>
        <Button size="s" variant="quiet" aria-expanded={isElsewhere} onClick={() => setElsewhere(!isElsewhere)}>
          From another site…
        </Button>
        <Button size="s" variant="quiet" onClick={onMatch}>
          Match something on the site…
        </Button>
      </Flex>
      {isElsewhere ? <OtherSites siteId={siteId} kind={kind} busy={busy} onAdd={onAdd} /> : null}
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        aria-label="File with a finish"
        hidden
        onChange={(event) => {
          void bring(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      {problem ? <Notice tone="short">{problem}</Notice> : null}
    </Box>
  );
}
