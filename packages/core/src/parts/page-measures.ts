import type { Environment } from '../css/conditions/environment.js';
import type { StyledPage } from '../css/cascade/page-styles.js';
import { isSameGeometry, type Geometry } from '../page/geometry.js';
import { meets } from '../page/box.js';
import type { KnownPicture, PictureSource } from '../paint/pictures.js';
import type { Looking } from '../paint/scene.js';

/** Of a viewport, in CSS pixels. */
interface Size {
  readonly width: number;
  readonly height: number;
}

/** The state in which a page was measured: as it is, or with something opened. */
export const AS_IT_IS = '';

/**
 * What was measured of a page elsewhere, and is an input here: where things stand, and the pixels of its pictures. What is
 * told again changes nothing, so that all that was worked out from it holds.
 */
export class PageMeasures {
  private readonly geometries = new Map<string, Geometry>();
  private readonly fields = new Map<string, KnownPicture>();
  private readonly weights = new Map<string, number>();
  private readonly lookings = new WeakMap<
    StyledPage,
    { readonly version: number; readonly byOpened: Map<string, Looking> }
  >();
  private pictures: PictureSource = (address) => this.fields.get(address);
  private changes = 0;
  /** The last change of pictures, which are the same at every size. */
  private changedEverywhere = 0;
  private readonly changedAt = new Map<string, number>();

  /** Another after each change, so that what was worked out before is told from what holds now. */
  get version(): number {
    return this.changes;
  }

  /** The same of what a page is measured with at one size: other widths are measured while one is looked at. */
  versionAt(size: Size): number {
    return Math.max(this.changedEverywhere, this.changedAt.get(sizeKey(size)) ?? 0);
  }

  /** @param opened names what was opened on the page when it was measured; as it is when absent */
  setGeometry(geometry: Geometry, opened = AS_IT_IS): void {
    const key = keyFor(geometry, opened);
    const before = this.geometries.get(key);
    if (before && isSameGeometry(before, geometry)) return;
    this.geometries.set(key, geometry);
    this.changedAt.set(sizeKey(geometry), ++this.changes);
  }

  setPicture(address: string, picture: KnownPicture): void {
    if (this.fields.get(address) === picture) return;
    this.fields.set(address, picture);
    // Another source, as what was put together with the old one no longer holds.
    this.pictures = (wanted) => this.fields.get(wanted);
    this.changedEverywhere = ++this.changes;
  }

  /** @param bytes of the picture's file, as it is sent */
  setWeight(address: string, bytes: number): void {
    if (this.weights.get(address) === bytes) return;
    this.weights.set(address, bytes);
    this.changedEverywhere = ++this.changes;
  }

  /** Whether the page was measured so itself, and not only as it is. */
  hasGeometry(size: Size, opened = AS_IT_IS): boolean {
    return this.geometries.has(keyFor(size, opened));
  }

  /** Whether elements of two lists, by their orders, stood over one another wherever the page was measured. */
  haveMet(some: readonly number[], others: readonly number[]): boolean {
    return [...this.geometries.values()].some(({ elements }) => {
      const boxes = others.flatMap((order) => elements.get(order)?.box ?? []);
      return some.some((order) => {
        const own = elements.get(order)?.box;
        return own !== undefined && boxes.some((box) => meets(own, box));
      });
    });
  }

  geometryFor(size: Size, opened = AS_IT_IS): Geometry | undefined {
    return this.geometries.get(keyFor(size, opened)) ?? this.geometries.get(keyFor(size, AS_IT_IS));
  }

  /** What a view of the page is measured with; the same object for the same view until more is measured. */
  looking(view: StyledPage, opened = AS_IT_IS): Looking {
    const { environment }: { environment: Environment } = view.styles;
    const version = this.versionAt(environment);
    let known = this.lookings.get(view);
    if (known?.version !== version) this.lookings.set(view, (known = { version, byOpened: new Map() }));
    let looking = known.byOpened.get(opened);
    if (!looking) {
      const geometry = this.geometryFor(environment, opened);
      looking = { view, geometry, pictures: this.pictures, weights: this.weightOf };
      known.byOpened.set(opened, looking);
    }
    return looking;
  }

  private bare: Measures | undefined;

  /** The same of a page on which looks have moved boxes: its pictures are known, and where things stand is not. */
  get unplaced(): Measures {
    return (this.bare ??= new UnplacedMeasures(
      () => this.changedEverywhere,
      () => ({ pictures: this.pictures, weights: this.weightOf }),
    ));
  }

  private readonly weightOf = (address: string) => this.weights.get(address);
}

/** What views of a page are measured with. */
export type Measures = Pick<PageMeasures, 'versionAt' | 'looking'>;

class UnplacedMeasures implements Measures {
  private readonly known = new WeakMap<StyledPage, { readonly version: number; readonly looking: Looking }>();

  constructor(
    private readonly changes: () => number,
    private readonly rest: () => Omit<Looking, 'view' | 'geometry'>,
  ) {}

  versionAt(): number {
    return this.changes();
  }

  looking(view: StyledPage): Looking {
    const version = this.changes();
    let known = this.known.get(view);
    if (known?.version !== version) {
      this.known.set(view, (known = { version, looking: { view, geometry: undefined, ...this.rest() } }));
    }
    return known.looking;
  }
}

const sizeKey = ({ width, height }: Size) => `${width} ${height}`;
const keyFor = (size: Size, opened: string) => `${sizeKey(size)} ${opened}`;
