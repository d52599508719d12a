/** A file with its place in the folder that it was chosen with; its bare name where it came alone. */
export interface ChosenFile {
  readonly path: string;
  readonly file: File;
}

export const isPage = ({ path }: Pick<ChosenFile, 'path'>): boolean => /\.x?html?$/i.test(path);
export const isArchive = ({ path }: Pick<ChosenFile, 'path'>): boolean => /\.zip$/i.test(path);

/** What was chosen in a file field, with the folder where one was. */
export const chosenFrom = (files: Iterable<File>): ChosenFile[] =>
  [...files].map((file) => ({ path: file.webkitRelativePath || file.name, file }));

/** What was dropped; folders are read to their ends. */
export async function droppedFrom(data: DataTransfer): Promise<ChosenFile[]> {
  // Entries are to be had only while the drop is handled, so all are taken before anything is waited for.
  const entries = [...data.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  if (!entries.length) return chosenFrom(data.files);
  return (await Promise.all(entries.map(filesIn))).flat();
}

async function filesIn(entry: FileSystemEntry): Promise<ChosenFile[]> {
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject));
    return [{ path: entry.fullPath.replace(/^\//, ''), file }];
  }
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const found: ChosenFile[] = [];
  for (;;) {
    // A folder is handed out part by part; an empty part is its end.
    const part = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (!part.length) return found;
    found.push(...(await Promise.all(part.map(filesIn))).flat());
  }
}

/** Those chosen before with more, of which a newer one takes the place of the same path. */
export function withMore(before: readonly ChosenFile[], more: readonly ChosenFile[]): ChosenFile[] {
  const byPath = new Map(before.map((own) => [own.path, own]));
  for (const own of more) if (!/(^|\/)(\.DS_Store|Thumbs\.db|desktop\.ini)$/i.test(own.path)) byPath.set(own.path, own);
  return [...byPath.values()];
}

const MOST_FILES = 250;
const MOST_BYTES = 20 * 1024 * 1024;

/** What is wrong with the files, in words; undefined where they can be sent. */
export function problemWith(files: readonly ChosenFile[]): string | undefined {
  if (!files.length) return 'Choose the HTML file of the page, with its stylesheets and pictures.';
  if (!files.some((own) => isPage(own) || isArchive(own)))
    return 'Among those files is no HTML page; its name ends in .html.';
  if (files.length > MOST_FILES) return `Those are ${files.length} files; a page may come with ${MOST_FILES}.`;
  if (files.reduce((sum, { file }) => sum + file.size, 0) > MOST_BYTES)
    return 'Those files have more than 20 MB together.';
  return undefined;
}
