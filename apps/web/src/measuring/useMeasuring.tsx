import type { PageGeometry } from '@retoque/contract';
import { layoutKey, type Look, type MeasuredElement, type ViewportName } from '@retoque/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { engine } from '../engine/engine';
import type { ComponentRef, ToMeasure } from '../engine/protocol';
import { useSteady } from '../shell/useSteady';
import { whenIdle } from '../shell/when-idle';
import { MeasuringFrame } from './MeasuringFrame';
import { geometryQuery, recount, putGeometry } from './queries';

const ORDER: readonly ViewportName[] = ['wide', 'medium', 'narrow'];
/** A look that is being edited is measured when it has kept still for so long. */
const PAUSE_MILLIS = 400;

const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

interface Job {
  readonly viewport: ViewportName;
  readonly page: ToMeasure;
}

export interface Measuring {
  /** Another number each time that something more is known. */
  readonly measured: number;
  /** True until the page as it is was measured at every width. */
  readonly busy: boolean;
  /** Why the page could not be laid out at some width: figures that need it stay unmeasured. */
  readonly failure: string | undefined;
  /** Lays the page out again after a failure. */
  readonly retry: () => void;
  /** The frame that is being measured. */
  readonly frame: ReactNode;
}

/**
 * Finds out where things stand on the page: takes what was measured before from the server, and lays the rest out in
 * frames that nobody sees, one at a time, the viewport in hand first. What it finds of the page itself is kept.
 */
export function useMeasuring(
  pageId: string,
  component: ComponentRef | undefined,
  look: Look,
  viewport: ViewportName,
): Measuring {
  const versionId = component?.versionId ?? '';
  const [measured, setMeasured] = useState(0);
  const [jobs, setJobs] = useState<readonly Job[]>([]);
  const [equipped, setEquipped] = useState('');
  /** The edition of which it is known what was not measured yet. */
  const [looked, setLooked] = useState('');
  const [failure, setFailure] = useState<string>();
  const [attempt, setAttempt] = useState(0);
  const found = useRef<PageGeometry[]>([]);
  const client = useQueryClient();
  const stored = useQuery({ ...geometryQuery(pageId, versionId), enabled: versionId !== '', retry: 1 });
  const isAsked = stored.data !== undefined || stored.isError;
  // What is kept later on was measured here, and is known.
  const storedNow = useSteady(() => stored.data ?? []);

  useEffect(() => {
    if (!versionId || !isAsked) return;
    let current = true;
    void engine()
      .equip(versionId, storedNow())
      .catch((error: unknown) => current && setFailure(messageOf(error)))
      .then(() => {
        if (!current) return;
        setEquipped(versionId);
        setMeasured((count) => count + 1);
      });
    return () => {
      current = false;
    };
  }, [versionId, isAsked, storedNow]);

  const lookNow = useSteady(() => look);
  const layout = layoutKey(look);
  useEffect(() => {
    if (!component || equipped !== versionId) return;
    let current = true;
    let idle: (() => void) | undefined;
    const timer = setTimeout(
      () => {
        idle = whenIdle(() => {
          void (async () => {
            const wanted = [viewport, ...ORDER.filter((name) => name !== viewport)];
            const next: Job[] = [];
            for (const name of wanted) {
              const pages = await engine().toMeasure(component, lookNow(), name);
              next.push(...pages.map((page) => ({ viewport: name, page })));
            }
            if (!current) return;
            setJobs(next);
            setLooked(versionId);
          })().catch((error: unknown) => {
            if (!current) return;
            setFailure(messageOf(error));
            setLooked(versionId);
          });
        });
      },
      layout ? PAUSE_MILLIS : 0,
    );
    return () => {
      current = false;
      clearTimeout(timer);
      idle?.();
    };
  }, [component, equipped, versionId, viewport, layout, lookNow, attempt]);

  const retry = useCallback(() => {
    setFailure(undefined);
    setAttempt((count) => count + 1);
  }, []);

  const keep = useCallback(() => {
    const all = found.current;
    if (!all.length) return;
    found.current = [];
    void putGeometry(client, pageId, versionId, all)
      .catch(() => undefined)
      // What is not kept is known in this window all the same.
      .then(() => recount(client, versionId));
  }, [pageId, versionId, client]);
  // Somebody who leaves before every width is measured keeps what was.
  const hasLeft = useRef(false);
  useEffect(() => {
    hasLeft.current = false;
    return () => {
      hasLeft.current = true;
      keep();
    };
  }, [keep]);

  const [job] = jobs;
  const take = useSteady((elements: readonly MeasuredElement[]) => {
    if (!job || !component) return;
    void engine()
      .measured(component, lookNow(), job.viewport, job.page.opened, elements)
      .then((geometry) => {
        if (geometry) found.current.push(geometry);
        const rest = jobs.slice(1);
        setJobs(rest);
        // The figures are asked for again when a viewport is done, not for each thing that is opened on it.
        if (rest[0]?.viewport !== job.viewport) setMeasured((count) => count + 1);
        if (!rest.length || hasLeft.current) keep();
      })
      .catch((error: unknown) => {
        setFailure(messageOf(error));
        setJobs([]);
      });
  });
  return {
    measured,
    failure,
    retry,
    busy: looked !== versionId || jobs.length > 0,
    frame: job ? (
      <MeasuringFrame
        key={`${versionId} ${job.viewport} ${job.page.opened} ${layout}`}
        page={job.page}
        viewport={job.viewport}
        onMeasured={take}
      />
    ) : null,
  };
}
