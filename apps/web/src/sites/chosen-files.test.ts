import { describe, expect, it } from '@jest/globals';
import { chosenFrom, droppedFrom, problemWith, withMore } from './chosen-files';

const file = (name: string, size = 1): File => new File([new Uint8Array(size)], name.split('/').at(-1)!);
const chosen = (path: string, size = 1) => ({ path, file: file(path, size) });

/** A folder or file as browsers hand it over; a folder's parts come two at a time. */
function entry(path: string, children?: FileSystemEntry[]): FileSystemEntry {
  const left = [...(children ?? [])];
  return {
    isFile: !children,
    isDirectory: Boolean(children),
    fullPath: `/${path}`,
    file: (done: (file: File) => void) => done(file(path)),
    createReader: () => ({ readEntries: (done: (part: FileSystemEntry[]) => void) => done(left.splice(0, 2)) }),
  } as unknown as FileSystemEntry;
}

describe('files of a page', () => {
  it('keep their places in a folder that is dropped, however deep and however many', async () => {
    const pictures = Array.from({ length: 5 }, (_, i) => entry(`site/img/${i}.jpg`));
    const folder = entry('site', [entry('site/index.html'), entry('site/img', pictures), entry('site/a.css')]);
    const items = [{ webkitGetAsEntry: () => folder }];
    const found = await droppedFrom({ items, files: [] } as unknown as DataTransfer);
    expect(found.map(({ path }) => path).sort()).toEqual(
      ['site/a.css', 'site/index.html', ...[0, 1, 2, 3, 4].map((i) => `site/img/${i}.jpg`)].sort(),
    );
  });

  it('are the files alone where a browser hands over no entries', async () => {
    const found = await droppedFrom({ items: [], files: [file('a.html')] } as unknown as DataTransfer);
    expect(found.map(({ path }) => path)).toEqual(['a.html']);
  });

  it('of one name in two folders are both kept, and the same place is replaced', () => {
    const first = [chosen('about/1.jpg'), chosen('team/1.jpg'), chosen('.DS_Store')];
    const all = withMore(withMore([], first), [chosen('team/1.jpg', 9)]);
    expect(all.map(({ path, file: { size } }) => [path, size])).toEqual([
      ['about/1.jpg', 1],
      ['team/1.jpg', 9],
    ]);
  });

  it('are refused in words before they are sent', () => {
    expect(problemWith([])).toMatch(/Choose the HTML file/);
    expect(problemWith([chosen('a.css')])).toMatch(/no HTML page/);
    expect(problemWith([chosen('a.html'), ...Array.from({ length: 250 }, (_, i) => chosen(`${i}.css`))])).toMatch(
      /251 files/,
    );
    expect(problemWith([chosen('a.html'), chosen('b.jpg', 21 * 1024 * 1024)])).toMatch(/20 MB/);
    expect(problemWith(chosenFrom([file('site.zip')]))).toBeUndefined();
    expect(problemWith([chosen('a.html')])).toBeUndefined();
  });
});
