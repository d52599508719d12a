import type { RowEditor } from '@retoque/core';
import type { ComponentType } from 'react';
import { late } from '../../../shell/late';
import type { EditorProps } from './editing';

const editor = (load: () => Promise<{ default: ComponentType<EditorProps> }>) =>
  late(
    async () => {
      const [{ default: Editor }, { drawn }] = await Promise.all([load(), import('./drawn')]);
      return { default: drawn(Editor) };
    },
    <p className="small">Opening the editor…</p>,
  );

/** Editors by the sort of value, each loaded when it is first used. Adding one is naming it here. */
export const EDITORS: Readonly<Partial<Record<RowEditor, ComponentType<EditorProps>>>> = {
  number: editor(() => import('./NumberEditor')),
  choice: editor(() => import('./ChoiceEditor')),
  box: editor(() => import('./BoxEditor')),
  radius: editor(() => import('./RadiusEditor')),
  shadow: editor(() => import('./ShadowEditor')),
  layers: editor(() => import('./LayersEditor')),
  functions: editor(() => import('./FunctionsEditor')),
  transition: editor(() => import('./TransitionEditor')),
  family: editor(() => import('./FamilyEditor')),
  marks: editor(() => import('./MarksEditor')),
  moment: editor(() => import('./MomentEditor')),
  zone: editor(() => import('./ZoneEditor')),
  units: editor(() => import('./UnitsEditor')),
};

/** Rows that an editor shows together with its own, so that the sheet is asked for them. */
export const EDITOR_ROWS: Readonly<Partial<Record<RowEditor, readonly string[]>>> = {
  box: [
    'margin',
    'border-width',
    'padding',
    'width',
    'height',
    'min-width',
    'max-width',
    'min-height',
    'max-height',
    'aspect-ratio',
    'gap',
  ],
  radius: ['border-radius'],
  layers: ['background', 'background-size', 'background-position', 'background-repeat'],
  family: ['font-size', 'font-weight', 'font-style', 'font-variation-settings'],
  moment: ['--rq-zone'],
  transition: ['transition-property', 'transition-duration', 'transition-timing-function', 'transition-delay'],
};
