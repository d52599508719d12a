import { Injectable } from '@nestjs/common';
import {
  currentTrial,
  PROBLEM,
  type Component,
  type LookData,
  type LookHistory,
  type LookRevision,
  type LookRevisions,
  type OpenComponent,
  type SavedLook,
  type SaveLook,
  type SaveLooks,
  type SiteLooks,
  type Trial,
} from '@retoque/contract';
import { EMPTY_LOOK, kindNamed } from '@retoque/core';
import { and, asc, desc, eq, inArray, isNotNull, isNull, lt } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import type { OwnerScope } from '../database/owner-scope.js';
import { components, lookRevisions, pages, saves, trials } from '../database/schema.js';
import { notFound, problem, ProblemException } from '../http/problem.js';
import { FinishesService } from '../finishes/finishes.service.js';
import { liveSite } from '../owners/live-site.js';
import { PalettesService } from '../palettes/palettes.service.js';

type ComponentRow = typeof components.$inferSelect;
type TrialRow = typeof trials.$inferSelect;

/** Versions of a component that are not discarded. */
const live = (componentId: string) => and(eq(trials.componentId, componentId), isNull(trials.removedAt))!;

/** The next letter that no version has. */
const freeName = (known: readonly TrialRow[]): string => {
  const names = new Set(known.map((trial) => trial.name));
  return [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].find((letter) => !names.has(letter))!;
};

const MAX_TRIALS = 26;
/** Revisions that are listed at a time. */
const REVISIONS_AT_ONCE = 200;
/** Looks are large, and nobody goes back further step by step. */
const STEPS_AT_ONCE = 40;

const toTrial = (row: TrialRow): Trial => ({
  id: row.id,
  name: row.name,
  revision: row.revision,
  look: row.look as LookData,
  updatedAt: row.updatedAt.toISOString(),
});

const toRevision = (row: typeof lookRevisions.$inferSelect): LookRevision => ({
  revision: row.revision,
  savedAt: row.createdAt.toISOString(),
  look: row.look as LookData,
  step: row.step,
});

@Injectable()
export class ComponentsService {
  constructor(
    private readonly palettes: PalettesService,
    private readonly finishes: FinishesService,
  ) {}

  async list(scope: OwnerScope, siteId: string): Promise<Component[]> {
    const rows = await scope.select(components, and(eq(components.siteId, siteId), isNull(components.deletedAt)), {
      orderBy: asc(components.createdAt),
    });
    return this.describe(scope, rows);
  }

  /**
   * The looks that the components of a site wear, in the order in which they were kept, and the colours they may name.
   *
   * @throws ProblemException 404 where there is no such site
   */
  async worn(scope: OwnerScope, siteId: string): Promise<SiteLooks> {
    const site = await liveSite(scope, siteId);
    const looks = (await this.list(scope, siteId)).map(({ id, pageId, name, kind, locator, ...own }) => ({
      id,
      pageId,
      name,
      kind,
      locator,
      look: currentTrial(own).look,
    }));
    const { swatches, handedOverAs } = await this.palettes.of(scope, siteId);
    const bounds = { medium: site.mediumUpTo, narrow: site.narrowUpTo };
    const finishes = (await this.finishes.ofAll(scope, [siteId])).map(({ id, look }) => ({ id, look }));
    return { bounds, looks, palette: { swatches, handedOverAs }, finishes };
  }

  async get(scope: OwnerScope, id: string): Promise<Component> {
    return (await this.describe(scope, [await this.row(scope, id)]))[0]!;
  }

  /**
   * Opens a component of a page: the one that its site keeps already, whichever page it was first seen on, or a new
   * one. A deleted one comes back as it was.
   */
  async open(scope: OwnerScope, input: OpenComponent): Promise<Component> {
    if (!kindNamed(input.kind)) throw problem('invalid', 400, `No kind of component is called "${input.kind}"`);
    const page = await scope.first(pages, and(eq(pages.id, input.pageId), isNull(pages.deletedAt)));
    if (!page) throw notFound('The page');
    const { selector } = input.locator;
    const same = and(
      eq(components.siteId, page.siteId),
      eq(components.kind, input.kind),
      eq(components.selector, selector),
    );
    const id = await scope.transaction(async (inner) => {
      const kept = await inner.first(components, same, { forUpdate: true });
      if (kept) {
        if (kept.deletedAt) await inner.update(components, { deletedAt: null }, eq(components.id, kept.id));
        return kept.id;
      }
      const componentId = randomUUID();
      const trialId = randomUUID();
      await inner.insertMissing(components, [
        {
          id: componentId,
          siteId: page.siteId,
          pageId: page.id,
          kind: input.kind,
          name: input.name,
          locator: input.locator,
          selector,
          currentTrialId: trialId,
        },
      ]);
      const [stored] = await inner.select(components, same);
      // Someone else opened it in the same moment; theirs is the one.
      if (stored!.id !== componentId) return stored!.id;
      await inner.insert(trials, { id: trialId, componentId, name: 'A', look: EMPTY_LOOK });
      await inner.insert(lookRevisions, { trialId, revision: 0, look: EMPTY_LOOK });
      return componentId;
    });
    return this.get(scope, id);
  }

  async change(scope: OwnerScope, id: string, change: { name?: string; currentTrialId?: string }): Promise<Component> {
    const row = await this.row(scope, id);
    if (change.currentTrialId) await this.trial(scope, row.id, change.currentTrialId);
    await scope.update(components, change, eq(components.id, id));
    return this.get(scope, id);
  }

  async remove(scope: OwnerScope, id: string): Promise<void> {
    await this.row(scope, id);
    await scope.update(components, { deletedAt: new Date() }, eq(components.id, id));
  }

  async restore(scope: OwnerScope, id: string): Promise<Component> {
    const [row] = await scope.update(
      components,
      { deletedAt: null },
      and(eq(components.id, id), isNotNull(components.deletedAt))!,
    );
    if (!row) throw notFound('A deleted component with that id');
    return this.get(scope, id);
  }

  /** A rival look beside the others, named by the next free letter. */
  async addTrial(scope: OwnerScope, id: string, look: LookData, makeCurrent: boolean): Promise<Component> {
    await scope.transaction(async (inner) => {
      const known = await this.lockedTrials(inner, id);
      if (known.length >= MAX_TRIALS) throw problem('invalid', 422, `A component has at most ${MAX_TRIALS} versions`);
      const name = freeName(known);
      const [trial] = await inner.insert(trials, { componentId: id, name, look });
      await inner.insert(lookRevisions, { trialId: trial!.id, revision: trial!.revision, look });
      if (makeCurrent) await inner.update(components, { currentTrialId: trial!.id }, eq(components.id, id));
    });
    return this.get(scope, id);
  }

  /** @throws ProblemException 409 where another version of the component has that name */
  async renameTrial(scope: OwnerScope, id: string, trialId: string, name: string): Promise<Component> {
    await scope.transaction(async (inner) => {
      const known = await this.lockedTrials(inner, id);
      if (!known.some((trial) => trial.id === trialId)) throw notFound('The version');
      if (known.some((trial) => trial.id !== trialId && trial.name === name))
        throw problem('invalid', 409, `Another version is called “${name}”`, 'Choose another name.');
      await inner.update(trials, { name }, eq(trials.id, trialId));
    });
    return this.get(scope, id);
  }

  /**
   * Discards a version; it can be put back. Where it was in hand, the first of the others is.
   *
   * @throws ProblemException 422 for the only one
   */
  async removeTrial(scope: OwnerScope, id: string, trialId: string): Promise<Component> {
    await scope.transaction(async (inner) => {
      const known = await this.lockedTrials(inner, id);
      if (!known.some((trial) => trial.id === trialId)) throw notFound('The version');
      const [next] = known.filter((trial) => trial.id !== trialId);
      if (!next) throw problem('invalid', 422, 'A component keeps one version at least', 'Add another one first.');
      await inner.update(trials, { removedAt: new Date() }, eq(trials.id, trialId));
      await inner.update(
        components,
        { currentTrialId: next.id },
        and(eq(components.id, id), eq(components.currentTrialId, trialId))!,
      );
    });
    return this.get(scope, id);
  }

  /** Puts a discarded version back, under another letter where its name was given away since. */
  async restoreTrial(scope: OwnerScope, id: string, trialId: string, makeCurrent: boolean): Promise<Component> {
    await scope.transaction(async (inner) => {
      const known = await this.lockedTrials(inner, id);
      const gone = await inner.first(
        trials,
        and(eq(trials.id, trialId), eq(trials.componentId, id), isNotNull(trials.removedAt)),
      );
      if (!gone) throw notFound('A discarded version with that id');
      if (known.length >= MAX_TRIALS) throw problem('invalid', 422, `A component has at most ${MAX_TRIALS} versions`);
      const name = known.some((trial) => trial.name === gone.name) ? freeName(known) : gone.name;
      await inner.update(trials, { removedAt: null, name }, eq(trials.id, trialId));
      if (makeCurrent) await inner.update(components, { currentTrialId: trialId }, eq(components.id, id));
    });
    return this.get(scope, id);
  }

  /** The versions of a component in the order of their names, while nobody else changes which there are. */
  private async lockedTrials(inner: OwnerScope, id: string): Promise<TrialRow[]> {
    const row = await inner.first(components, and(eq(components.id, id), isNull(components.deletedAt)), {
      forUpdate: true,
    });
    if (!row) throw notFound('The component');
    return inner.select(trials, live(id), { orderBy: asc(trials.name) });
  }

  /**
   * Saves a look that was edited on a known revision.
   *
   * @throws ProblemException 409 with the newer trial when someone saved in between; a repeated save id is answered as
   * the first time
   */
  async saveLook(scope: OwnerScope, id: string, trialId: string, save: SaveLook): Promise<SavedLook> {
    await this.row(scope, id);
    return scope.transaction((inner) => this.saveIn(inner, id, trialId, save));
  }

  /**
   * Saves looks of several components of a site, all or none.
   *
   * @throws ProblemException 409 as for one of them, naming the component
   */
  async saveLooks(
    scope: OwnerScope,
    siteId: string,
    looks: SaveLooks['looks'],
  ): Promise<(SavedLook & { componentId: string; trialId: string })[]> {
    return scope.transaction(async (inner) => {
      const saved: (SavedLook & { componentId: string; trialId: string })[] = [];
      // In one order always, so that two such steps wait for each other and never for ever.
      for (const { componentId, trialId, ...save } of [...looks].sort((a, b) => (a.trialId < b.trialId ? -1 : 1))) {
        const row = await this.row(inner, componentId);
        if (row.siteId !== siteId) throw notFound('The component');
        saved.push({ componentId, trialId, ...(await this.saveIn(inner, componentId, trialId, save, row.name)) });
      }
      return saved;
    });
  }

  /** The revisions of a look, the newest first; a page of them at a time. */
  async revisions(scope: OwnerScope, id: string, trialId: string, before: number): Promise<LookRevisions> {
    await this.row(scope, id);
    await this.trial(scope, id, trialId);
    const { revision, createdAt, step } = lookRevisions;
    const own = and(eq(lookRevisions.trialId, trialId), lt(revision, before));
    const rows = await scope.columns(lookRevisions, { revision, createdAt, step }, own, {
      orderBy: desc(revision),
      limit: REVISIONS_AT_ONCE,
    });
    return {
      revisions: rows.map((row) => ({ revision: row.revision, savedAt: row.createdAt.toISOString(), step: row.step })),
    };
  }

  /** The last revisions before one, with what they say, the newest first. */
  async history(scope: OwnerScope, id: string, trialId: string, before: number): Promise<LookHistory> {
    await this.row(scope, id);
    await this.trial(scope, id, trialId);
    const own = and(eq(lookRevisions.trialId, trialId), lt(lookRevisions.revision, before));
    const rows = await scope.select(lookRevisions, own, {
      orderBy: desc(lookRevisions.revision),
      limit: STEPS_AT_ONCE,
    });
    return { revisions: rows.map(toRevision) };
  }

  /** @throws ProblemException 404 for a revision that never was */
  async revision(scope: OwnerScope, id: string, trialId: string, revision: number): Promise<LookRevision> {
    await this.row(scope, id);
    await this.trial(scope, id, trialId);
    const own = and(eq(lookRevisions.trialId, trialId), eq(lookRevisions.revision, revision));
    const row = await scope.first(lookRevisions, own);
    if (!row) throw notFound('That revision');
    return toRevision(row);
  }

  private async saveIn(
    inner: OwnerScope,
    id: string,
    trialId: string,
    save: SaveLook,
    name?: string,
  ): Promise<SavedLook> {
    const trial = await inner.first(trials, and(eq(trials.id, trialId), eq(trials.componentId, id)), {
      forUpdate: true,
    });
    if (!trial) throw notFound('The version');
    const done = await inner.first(saves, and(eq(saves.trialId, trialId), eq(saves.saveId, save.saveId)));
    if (done) {
      const newer = trial.revision > done.revision ? toTrial(trial) : null;
      return { revision: done.revision, savedAt: done.createdAt.toISOString(), newer };
    }
    if (trial.revision !== save.baseRevision) {
      throw new ProblemException(
        {
          type: PROBLEM.conflict,
          title: `A newer version${name ? ` of “${name}”` : ''} was saved in the meantime`,
          status: 409,
          detail: 'Load the newer one, or keep both: yours becomes a version of its own.',
        },
        { current: toTrial(trial) },
      );
    }
    const revision = trial.revision + 1;
    const now = new Date();
    await inner.update(trials, { look: save.look, revision, updatedAt: now }, eq(trials.id, trialId));
    await inner.insert(lookRevisions, { trialId, revision, look: save.look, step: save.step ?? null });
    const [saved] = await inner.insert(saves, { trialId, saveId: save.saveId, revision });
    return { revision, savedAt: saved!.createdAt.toISOString(), newer: null };
  }

  private async row(scope: OwnerScope, id: string): Promise<ComponentRow> {
    const row = await scope.first(components, and(eq(components.id, id), isNull(components.deletedAt)));
    if (!row) throw notFound('The component');
    return row;
  }

  private async trial(scope: OwnerScope, componentId: string, trialId: string): Promise<TrialRow> {
    const row = await scope.first(trials, and(eq(trials.id, trialId), live(componentId)));
    if (!row) throw notFound('The version');
    return row;
  }

  private async describe(scope: OwnerScope, rows: readonly ComponentRow[]): Promise<Component[]> {
    if (!rows.length) return [];
    const ids = rows.map((row) => row.id);
    const all = await scope.select(trials, and(inArray(trials.componentId, ids), isNull(trials.removedAt)), {
      orderBy: asc(trials.name),
    });
    return rows.map((row) => ({
      id: row.id,
      siteId: row.siteId,
      pageId: row.pageId,
      kind: row.kind,
      name: row.name,
      locator: row.locator as Component['locator'],
      trials: all.filter((trial) => trial.componentId === row.id).map(toTrial),
      currentTrialId: row.currentTrialId,
      createdAt: row.createdAt.toISOString(),
    }));
  }
}
