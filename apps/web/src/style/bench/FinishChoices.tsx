import { Box, Flex } from '@chakra-ui/react';
import { currentTrial, writeFinishFile, type AddFinish, type Finish, type LookData } from '@retoque/contract';
import {
  asFileName,
  asFinish,
  backToFinish,
  bitsOfWhen,
  columnFor,
  finishWithOwn,
  followFinish,
  isShareable,
  kindNamed,
  leaveFinish,
  partNamed,
  resolveNames,
  type Look,
  type Setting,
} from '@retoque/core';
import { useQueryClient } from '@tanstack/react-query';
import { Download, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { addFinish, removeFinish, restoreFinish, saveFinish, siteQuery } from '../../api/queries';
import { surveyEngine } from '../../engine/engine';
import { Effect } from '../../ledger/Effect';
import { counted } from '../../shell/counted';
import { Progress } from '../../ledger/Progress';
import { saveChanged } from '../../ledger/put-shares';
import { useSitePages, useSiteWork } from '../../ledger/useSiteWork';
import { saveFile } from '../../shell/save-file';
import { tellDone, tellProblem, toaster } from '../../shell/toasts';
import { Button } from '../../theme/Button';
import { useHand } from '../editor/hand';
import type { LookEditor } from '../look/useLookEditor';
import { FinishSources } from './FinishSources';
import type { Styled } from './useOpened';
import { Input } from '../../theme/Input';

interface Props {
  readonly styled: Styled;
  readonly editor: LookEditor;
  /** Those of the component's kind. */
  readonly finishes: readonly Finish[];
  readonly followed: Finish | undefined;
  /** Goes to the look of something else on the site. */
  readonly onMatch: () => void;
  readonly onClose: () => void;
}

/** Own values that are named one by one. */
const MOST_NAMED = 6;

/** What a component has of its finish and besides, other finishes to wear, and a new one. */
export default function FinishChoices({ styled, editor, finishes, followed, onMatch, onClose }: Props) {
  const client = useQueryClient();
  const { site, component, kept } = styled;
  const [name, setName] = useState('');
  const [busy, setBusy] = useState(false);
  const [isChanging, setChanging] = useState(false);
  const { look } = editor;
  const refresh = () => client.invalidateQueries({ queryKey: siteQuery(site.id).queryKey });
  /** Does something that the server has to do first; what it says no to is told. */
  const act = async (work: () => Promise<void>) => {
    setBusy(true);
    try {
      await work();
      onClose();
    } catch (error) {
      tellProblem(error as Error);
      setBusy(false);
    }
  };
  const keep = () =>
    act(async () => {
      const own = asFinish(look);
      const finish = await addFinish(site.id, { kind: component.kind, name: name.trim(), look: own as LookData });
      await refresh();
      editor.replace(followFinish(look, finish.id, own), `Kept as the finish “${finish.name}”`);
    });
  const add = (finish: AddFinish) =>
    act(async () => {
      const { id, name: named, kind } = await addFinish(site.id, finish);
      await refresh();
      if (kind === component.kind)
        editor.replace(followFinish(look, id, finish.look as Look), `Wears the finish “${named}”`);
      else toaster.create({ title: `“${named}” is for ${kindNamed(kind)!.plural}: open one of them to have it worn` });
    });
  const save = ({ name: named, kind, look: own }: Finish) => {
    const swatches = new Map(site.palette.swatches.map(({ id, css }) => [id, css]));
    const content = writeFinishFile(
      { name: named, kind, look: own },
      (told) => resolveNames(told, { swatches, finishes: new Map() }).look,
    );
    saveFile(new Blob([content], { type: 'application/json' }), `${asFileName(named)}.finish.json`);
  };
  const remove = (finish: Finish) =>
    act(async () => {
      // Those that follow it keep what it says as their own.
      const changed = kept.flatMap(({ id: componentId, trials }) =>
        trials.flatMap((trial) =>
          // The version in hand is changed here.
          trial.look.finish === finish.id && trial.id !== component.currentTrialId
            ? [{ componentId, trial, look: leaveFinish(trial.look, finish.look) as LookData }]
            : [],
        ),
      );
      const undo = await saveChanged(client, site.id, changed);
      if (finish.id === look.finish) editor.replace(leaveFinish(look, finish.look), `Left the finish “${finish.name}”`);
      await removeFinish(finish.id);
      await refresh();
      tellDone(`The finish “${finish.name}” removed`, () => {
        restoreFinish(finish.id).then(undo).then(refresh).catch(tellProblem);
      });
    });
  // The one in hand may have come to follow it a moment ago.
  const followers = (id: string): number =>
    kept.filter((item) => (item.id === component.id ? look.finish === id : followsIt(item, id))).length;
  const own = look.settings.filter(isShareable);
  const others = finishes.filter(({ id }) => id !== followed?.id);
  if (followed && isChanging)
    return (
      <Changing
        styled={styled}
        finish={followed}
        next={finishWithOwn(followed.look, look)}
        onBack={() => setChanging(false)}
        onChange={(next) =>
          act(async () => {
            const { id, revision } = followed;
            await saveFinish(id, { baseRevision: revision, name: followed.name, look: next as LookData });
            await refresh();
            editor.replace(backToFinish(look), `Put into the finish “${followed.name}”`);
          })
        }
      />
    );
  return (
    <Box css={styles}>
      {followed ? (
        <>
          <OwnValues own={own} />
          <Flex gap="6px" flexWrap="wrap" mt="8px">
            {own.length ? (
              <>
                <Button size="s" disabled={busy} onClick={() => setChanging(true)}>
                  Put them into the finish…
                </Button>
                <Button
                  size="s"
                  variant="quiet"
                  onClick={() => editor.replace(backToFinish(look), `As the finish “${followed.name}”`)}
                >
                  Drop them
                </Button>
              </>
            ) : null}
            <Button
              size="s"
              variant="quiet"
              title="It keeps what the finish says as its own"
              onClick={() => {
                editor.replace(leaveFinish(look, followed.look), `Left the finish “${followed.name}”`);
                onClose();
              }}
            >
              Stop following
            </Button>
          </Flex>
        </>
      ) : (
        <p>A look kept by name, which several components follow. Change it, and all of them change.</p>
      )}
      {finishes.length ? (
        <ul aria-label="Finishes">
          {finishes.map((finish) => (
            <li key={finish.id}>
              <span>
                <b>{finish.name}</b>
                <small>
                  {counted(finish.look.settings.length, 'value')}, {counted(followers(finish.id), 'component')}
                </small>
              </span>
              {others.includes(finish) ? (
                <Button
                  size="s"
                  disabled={busy}
                  aria-label={`Wear ${finish.name}`}
                  onClick={() => {
                    editor.replace(followFinish(look, finish.id, finish.look), `Wears the finish “${finish.name}”`);
                    onClose();
                  }}
                >
                  Wear
                </Button>
              ) : null}
              <Button
                size="icon"
                variant="quiet"
                aria-label={`Save ${finish.name} to a file`}
                title="Save it to a file, for another site"
                onClick={() => save(finish)}
              >
                <Download aria-hidden="true" />
              </Button>
              <Button
                size="icon"
                variant="quiet"
                disabled={busy}
                aria-label={`Remove ${finish.name}`}
                title="Those that follow it keep what it says as their own"
                onClick={() => void remove(finish)}
              >
                <Trash2 aria-hidden="true" />
              </Button>
            </li>
          ))}
        </ul>
      ) : null}
      {!followed && own.length ? (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            if (name.trim()) void keep();
          }}
        >
          <Input
            aria-label="Name of the new finish"
            placeholder="Name, such as Plain button"
            maxLength={60}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <Button type="submit" disabled={busy || !name.trim()}>
            Keep this look as a finish
          </Button>
        </form>
      ) : null}
      {followed ? null : (
        <FinishSources
          siteId={site.id}
          kind={component.kind}
          busy={busy}
          onAdd={(finish) => void add(finish)}
          onMatch={onMatch}
        />
      )}
    </Box>
  );
}

const followsIt = (component: Styled['kept'][number], id: string): boolean =>
  currentTrial(component).look.finish === id;

function OwnValues({ own }: { own: readonly Setting[] }) {
  const { kind } = useHand();
  if (!own.length) return <p>Nothing of its own: it changes as the finish does.</p>;
  return (
    <>
      <p>{counted(own.length, 'value')} of its own:</p>
      <ul className="own">
        {own.slice(0, MOST_NAMED).map(({ part, property, when, value }) => (
          <li key={`${part} ${property} ${JSON.stringify(when)}`}>
            {partNamed(kind, part)?.label ?? part}, {columnFor(bitsOfWhen(when)).label.toLowerCase()}{' '}
            <code>
              {property}: {value}
            </code>
          </li>
        ))}
        {own.length > MOST_NAMED ? <li>and {own.length - MOST_NAMED} more</li> : null}
      </ul>
    </>
  );
}

interface ChangingProps {
  readonly styled: Styled;
  readonly finish: Finish;
  readonly next: Look;
  readonly onBack: () => void;
  readonly onChange: (next: Look) => Promise<void>;
}

/** What the finish with the values of this component would change in all that follow it. */
function Changing({ styled: { site, kept }, finish, next, onBack, onChange }: ChangingProps) {
  const pages = useSitePages(site);
  const [asked] = useState(() => site.finishes.map(({ id, look }) => ({ id, look: id === finish.id ? next : look })));
  const effect = useSiteWork(['finishes', asked], pages.at, (at, onStep) =>
    surveyEngine().tryFinishes(at, asked, onStep),
  );
  const error = pages.error ?? effect.error;
  const count = kept.filter((item) => followsIt(item, finish.id)).length;
  return (
    <Box css={styles}>
      {error ? (
        <Box color="short">{error.message}</Box>
      ) : effect.data ? (
        <Effect effects={effect.data} />
      ) : (
        <Progress words="Measuring what it would change…" {...effect.progress} />
      )}
      <Flex gap="6px" justifyContent="flex-end" mt="12px">
        <Button size="s" variant="quiet" onClick={onBack}>
          Back
        </Button>
        <Button size="s" variant="solid" disabled={!effect.data} onClick={() => void onChange(next)}>
          Change it for {counted(count, 'component')}
        </Button>
      </Flex>
    </Box>
  );
}

const styles = {
  '& p': { color: 'ink2' },
  '& ul': { listStyle: 'none', margin: '10px 0 0' },
  '& ul[aria-label=Finishes] li': {
    display: 'flex',
    gap: '6px',
    alignItems: 'center',
    padding: '5px 0',
    borderTop: '1px solid {colors.lineSoft}',
    '& > span': { flex: 1, minWidth: 0 },
  },
  '& small': { display: 'block', color: 'ink3', fontSize: '12px' },
  '& b': { fontWeight: 600 },
  '& .own': { fontSize: '12.5px', color: 'ink2', marginTop: '4px' },
  '& code': { fontFamily: 'mono', fontSize: '11.5px' },
  '& form': { display: 'grid', gap: '6px', marginTop: '10px' },
};
