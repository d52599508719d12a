import { fileNameOf } from './uploaded-file.js';

/** What of a page's addresses could not be told apart. */
export interface Ambiguous {
  readonly name: string;
  /** The addresses, as paths. */
  readonly asked: readonly string[];
}

/** How many names two paths share at their ends, the file's among them. */
function sharedEnd(a: string, b: string): number {
  const [left, right] = [a.split('/').reverse(), b.split('/').reverse()];
  let n = 0;
  while (n < left.length && n < right.length && left[n] === right[n]) n++;
  return n;
}

/**
 * Finds files by their paths, or else by a name that only one of them has: people upload files without folders. Where a
 * page asks for several files of one name, a bare name says nothing of which of them is meant.
 */
export class FileFinder<F extends { readonly path: string }> {
  private readonly byPath: ReadonlyMap<string, F>;
  private readonly asked = new Map<string, Set<string>>();

  /** @param known addresses that the page was seen to ask for, as paths */
  constructor(
    private readonly files: readonly F[],
    known: Iterable<string> = [],
  ) {
    this.byPath = new Map(files.map((file) => [file.path, file]));
    for (const path of known) this.note(path);
  }

  private note(path: string): Set<string> {
    const name = fileNameOf(path);
    let asked = this.asked.get(name);
    if (!asked) this.asked.set(name, (asked = new Set()));
    return asked.add(path);
  }

  /** Every path that was asked for. */
  get paths(): string[] {
    return [...this.asked.values()].flatMap((paths) => [...paths]);
  }

  /** @param isOwn false for an address of elsewhere, which is found by its name alone */
  find(path: string, isOwn: boolean): F | undefined {
    const asked = this.note(path);
    const exact = isOwn ? this.byPath.get(path) : undefined;
    if (exact) return exact;
    const named = this.files.filter((file) => fileNameOf(file.path) === fileNameOf(path));
    const best = Math.max(0, ...named.map((file) => sharedEnd(file.path, path)));
    const nearest = named.filter((file) => sharedEnd(file.path, path) === best);
    if (nearest.length !== 1) return undefined;
    // One file by its name alone is the one that is meant where no other of that name is asked for.
    return asked.size === 1 || best > 1 ? nearest[0] : undefined;
  }

  /** Names under which several files were asked for and some could not be told apart. */
  get ambiguous(): Ambiguous[] {
    return [...this.asked].flatMap(([name, paths]) => {
      const hasFile = this.files.some((file) => fileNameOf(file.path) === name);
      const open = [...paths].filter((path) => !this.find(path, true));
      return hasFile && paths.size > 1 && open.length ? [{ name, asked: [...paths].sort() }] : [];
    });
  }
}
