import type { RowEditor } from '@retoque/core';
import { lazy, type ComponentType } from 'react';
import type { EditorProps } from './editing';

/** Editors by the sort of value, each loaded when it is first used. Adding one is naming it here. */
export const EDITORS: Readonly<Partial<Record<RowEditor, ComponentType<EditorProps>>>> = {
  number: lazy(() => import('./NumberEditor')),
  choice: lazy(() => import('./ChoiceEditor')),
  box: lazy(() => import('./BoxEditor')),
  radius: lazy(() => import('./RadiusEditor')),
  shadow: lazy(() => import('./ShadowEditor')),
  layers: lazy(() => import('./LayersEditor')),
  functions: lazy(() => import('./FunctionsEditor')),
  transition: lazy(() => import('./TransitionEditor')),
  family: lazy(() => import('./FamilyEditor')),
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
  transition: ['transition-property', 'transition-duration', 'transition-timing-function', 'transition-delay'],
};
