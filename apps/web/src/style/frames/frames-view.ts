import type { ViewportName } from '@retoque/core';
import type { SeenAs } from '../../frame/seen-as';

/** How the frames show a component; nothing of it is part of the look. */
export interface FramesView {
  /** What stands side by side. */
  readonly beside: 'states' | 'widths' | 'both' | 'versions';
  readonly framing: 'close' | 'page';
  /** A colour behind the component in place of its page. */
  readonly ground: string | undefined;
  readonly pictures: boolean;
  /** True where the looks of the other components are left out. */
  readonly alone: boolean;
  /** A part that is shown open besides. */
  readonly open: string | undefined;
  /** How the page is seen; undefined for the usual way. */
  readonly seen: SeenAs | undefined;
  /** Where a text falls short over a gradient or picture is laid over it. */
  readonly heat: boolean;
  /** 1 is as large as there is room. */
  readonly zoom: number;
}

export const PLAIN_VIEW: FramesView = {
  beside: 'states',
  framing: 'close',
  ground: undefined,
  pictures: true,
  alone: false,
  open: undefined,
  seen: undefined,
  heat: false,
  zoom: 1,
};

export const WIDTHS: readonly ViewportName[] = ['wide', 'medium', 'narrow'];

/** Whether other widths than the one in hand are shown. */
export const showsWidths = ({ beside }: FramesView): boolean => beside === 'widths' || beside === 'both';

/** The same with the versions side by side, or with the states alone where they are. */
export const comparing = (view: FramesView): FramesView => ({
  ...view,
  beside: view.beside === 'versions' ? 'states' : 'versions',
});

const BESIDE: Readonly<Record<FramesView['beside'], string>> = {
  states: '',
  widths: 'widths',
  both: 'states and widths',
  versions: 'versions',
};

/** What differs from the plain view, in words. */
export function viewWords(view: FramesView): readonly string[] {
  return [
    BESIDE[view.beside],
    view.framing === 'page' ? 'whole page' : '',
    view.ground ? `on ${view.ground}` : '',
    view.pictures ? '' : 'no pictures',
    view.alone ? 'this look alone' : '',
    view.open ? 'opened' : '',
    view.seen ? (view.seen === 'forced' ? 'forced colours' : `seen as ${view.seen}`) : '',
    view.heat ? 'heat map' : '',
    view.zoom === 1 ? '' : `${Math.round(view.zoom * 100)} %`,
  ].filter(Boolean);
}
