import { ProblemException, problem } from '../../http/problem.js';
import { bringPage, type BroughtPage } from './bring.js';
import { ByteBudget, guardedFetcher } from './guarded-fetch.js';
import { LIMITS } from './limits.js';
import type { PageReader } from './read-page.js';

/**
 * Brings a page from its address, with the sheets, pictures and fonts that it links.
 *
 * @param cancelled aborts when whoever asked is gone
 * @throws ProblemException that says what is wrong
 */
export async function fromAddress(
  address: string,
  practiceOrigin: string | undefined,
  cancelled: AbortSignal,
  reader?: PageReader,
): Promise<BroughtPage> {
  const fetcher = guardedFetcher(practiceOrigin);
  const budget = new ByteBudget();
  const deadline = AbortSignal.timeout(LIMITS.totalMillis);
  const signal = AbortSignal.any([cancelled, deadline]);
  try {
    const page = await fetcher.get(address, budget, signal);
    return await bringPage(
      page,
      page.address,
      async (file) => {
        try {
          return await fetcher.get(file, budget, signal);
        } catch (error) {
          // One missing picture does not stop a page; being too large, too slow as a whole, or cancelled does.
          if (signal.aborted) throw error;
          if (error instanceof ProblemException && error.problem.status !== 413) return undefined;
          throw error;
        }
      },
      reader,
    );
  } catch (error) {
    if (deadline.aborted && !(error instanceof ProblemException)) {
      throw problem(
        'tooSlow',
        422,
        'That page takes too long',
        `It had not all arrived after ${LIMITS.totalMillis / 1000} seconds. Try again later, or upload the page instead.`,
      );
    }
    throw error;
  } finally {
    await fetcher.close();
  }
}
