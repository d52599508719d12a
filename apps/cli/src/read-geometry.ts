import { BadGeometryError, readGeometry, type PageSession } from '@retoque/core';
import { readFileSync } from 'node:fs';
import { Failure, oneLine } from './failure.js';
import { locate } from './locate.js';

/** Gives a page its measured geometry from a JSON file: of one viewport, or a list of several. */
export function addGeometry(page: PageSession, file: string): void {
  let data: unknown;
  try {
    data = JSON.parse(readFileSync(locate(file), 'utf8'));
  } catch (error) {
    throw new Failure(`${file} cannot be read as JSON: ${oneLine((error as Error).message)}.`);
  }
  for (const one of Array.isArray(data) ? (data as unknown[]) : [data]) {
    try {
      const opened = (one as { opened?: unknown } | null)?.opened;
      page.measures.setGeometry(readGeometry(one, page.tree), typeof opened === 'string' ? opened : undefined);
    } catch (error) {
      if (error instanceof BadGeometryError) throw new Failure(`${file}: ${oneLine(error.message)}`);
      throw error;
    }
  }
}
