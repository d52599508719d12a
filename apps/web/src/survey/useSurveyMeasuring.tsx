import type { MeasuredElement } from '@retoque/core';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState, type ReactNode } from 'react';
import { engine } from '../engine/engine';
import type { ToMeasure } from '../engine/protocol';
import { MeasuringFrame } from '../measuring/MeasuringFrame';
import { putGeometry, recount } from '../measuring/queries';
import { useSteady } from '../shell/useSteady';
import { whenIdle } from '../shell/when-idle';

const VIEWPORT = 'wide';

export interface SurveyMeasuring {
  /** Why the page could not be laid out; figures that need it are then unsure. */
  readonly failure: string | undefined;
  readonly frame: ReactNode;
}

/**
 * Finds out where things stand on the page as it is, once for each version, and has the components counted anew by it.
 *
 * @param isReady true once the worker knows what was measured before
 */
export function useSurveyMeasuring(pageId: string, versionId: string | undefined, isReady: boolean): SurveyMeasuring {
  const client = useQueryClient();
  const [job, setJob] = useState<{ readonly versionId: string; readonly page: ToMeasure }>();
  const [failure, setFailure] = useState<string>();
  const fail = (error: unknown) => setFailure(error instanceof Error ? error.message : String(error));

  useEffect(() => {
    if (versionId === undefined || !isReady) return undefined;
    let current = true;
    const idle = whenIdle(() => {
      engine()
        .pageToMeasure(versionId, VIEWPORT)
        .then((page) => current && setJob(page && { versionId, page }))
        .catch((error: unknown) => current && fail(error));
    });
    return () => {
      current = false;
      idle();
    };
  }, [versionId, isReady]);

  const take = useSteady((elements: readonly MeasuredElement[]) => {
    if (!job) return;
    engine()
      .pageMeasured(job.versionId, VIEWPORT, elements)
      // What is not kept is known in this window all the same.
      .then((geometry) => putGeometry(client, pageId, job.versionId, [geometry]).catch(() => undefined))
      .then(() => {
        setJob(undefined);
        return recount(client, job.versionId);
      })
      .catch(fail);
  });
  return {
    failure,
    frame: job ? <MeasuringFrame key={job.versionId} page={job.page} viewport={VIEWPORT} onMeasured={take} /> : null,
  };
}
