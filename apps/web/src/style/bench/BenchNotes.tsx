import { late } from '../../shell/late';
import { Hint } from '../../shell/Hint';
import { Notice } from '../../shell/Notice';
import type { OpenedComponent } from '../../engine/protocol';
import type { usePageMarkup } from './usePageMarkup';

// Few components have either.
const Imposter = late(() => import('./Imposter'));
const MadeHere = late(() => import('./MadeHere'));

/** What there is to know before anything else: what is wrong, what stands on the page by the owner's own hand, and a hint. */
export function BenchNotes({
  problems,
  found,
  markup,
}: {
  problems: readonly string[];
  found: OpenedComponent | undefined;
  markup: ReturnType<typeof usePageMarkup>;
}) {
  return (
    <>
      {problems.map((message) => (
        <div key={message} className="note">
          <Notice tone="short">{message}</Notice>
        </div>
      ))}
      {markup.held.length ? (
        <MadeHere
          changes={markup.held}
          busy={markup.removing}
          onTakeBack={(...back) => void markup.takeBack(...back)}
        />
      ) : null}
      {found?.isImposter ? <Imposter busy={markup.adding} onMake={(tag) => void markup.makeReal(tag)} /> : null}
      {found?.outcome === 'moved' && !markup.held.length ? (
        <div className="note">
          <Notice>The page has changed, and this component was found again at {found.selector}.</Notice>
        </div>
      ) : null}
      <div className="note hint">
        <Hint id="style">
          The pictures show one part in each state. A red figure fails: it is under the contrast it needs. Click that
          picture, then drag <b>Lightness</b> in the editor: where the line under a track is solid, the colour passes.
        </Hint>
      </div>
    </>
  );
}
