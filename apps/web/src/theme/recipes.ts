import { defineRecipe, defineSlotRecipe } from '@chakra-ui/react';

const ring = { outline: '2px solid {colors.accent}', outlineOffset: '2px' };

export const button = defineRecipe({
  className: 'rq-button',
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    gap: '7px',
    fontFamily: 'body',
    fontWeight: 550,
    whiteSpace: 'nowrap',
    borderRadius: 'm',
    borderWidth: '1px',
    borderStyle: 'solid',
    borderColor: 'transparent',
    cursor: 'pointer',
    userSelect: 'none',
    transitionProperty: 'background-color, border-color, color',
    transitionDuration: '120ms',
    _focusVisible: ring,
    _disabled: { opacity: 0.5, cursor: 'not-allowed' },
    '& svg': { width: '1.15em', height: '1.15em', flexShrink: 0 },
  },
  variants: {
    variant: {
      solid: { bg: 'accent', color: 'onAccent', _hover: { bg: 'accentHover' }, _active: { bg: 'accentPressed' } },
      outline: {
        bg: 'card',
        color: 'ink',
        borderColor: 'edge',
        _hover: { bg: 'sheet', borderColor: 'ink2' },
        _active: { bg: 'lineSoft' },
      },
      quiet: { bg: 'transparent', color: 'ink2', _hover: { bg: 'lineSoft', color: 'ink' }, _active: { bg: 'line' } },
      bar: {
        bg: 'transparent',
        color: 'white',
        borderColor: 'barEdge',
        _hover: { bg: 'barHover' },
        _active: { bg: 'barPressed' },
        _focusVisible: { outline: '2px solid {colors.lamp}', outlineOffset: '2px' },
      },
      barQuiet: {
        bg: 'transparent',
        color: 'barText',
        _hover: { bg: 'barHover', color: 'white' },
        _focusVisible: { outline: '2px solid {colors.lamp}', outlineOffset: '1px' },
      },
      danger: { bg: 'short', color: 'onShort', _hover: { bg: 'shortHover' } },
    },
    size: {
      s: { fontSize: '12px', height: '26px', px: '9px' },
      m: { fontSize: '13px', height: '30px', px: '12px' },
      l: { fontSize: '14px', height: '36px', px: '16px' },
      icon: { fontSize: '14px', height: '28px', width: '28px', px: '0' },
    },
  },
  defaultVariants: { variant: 'outline', size: 'm' },
});

const fieldBase = {
  width: '100%',
  fontFamily: 'body',
  fontSize: '13px',
  color: 'ink',
  bg: 'card',
  borderWidth: '1px',
  borderStyle: 'solid',
  borderColor: 'edge',
  borderRadius: 'm',
  _placeholder: { color: 'ink3' },
  _focusVisible: { outline: '2px solid {colors.accent}', outlineOffset: '0px', borderColor: 'accent' },
  _invalid: { borderColor: 'short', outlineColor: 'short' },
} as const;

export const input = defineRecipe({
  className: 'rq-input',
  base: { ...fieldBase, height: '32px', px: '9px' },
});

export const textarea = defineRecipe({
  className: 'rq-textarea',
  base: { ...fieldBase, px: '9px', py: '7px', lineHeight: 1.45, resize: 'vertical' },
});

export const dialog = defineSlotRecipe({
  className: 'rq-dialog',
  slots: [
    'trigger',
    'backdrop',
    'positioner',
    'content',
    'title',
    'description',
    'closeTrigger',
    'header',
    'body',
    'footer',
  ],
  base: {
    backdrop: { position: 'fixed', inset: 0, bg: 'rgba(29, 30, 31, .5)', zIndex: 1000 },
    positioner: {
      position: 'fixed',
      inset: 0,
      zIndex: 1001,
      display: 'flex',
      alignItems: 'flex-start',
      justifyContent: 'center',
      padding: { base: '12px', md: '56px 20px 20px' },
      overflow: 'auto',
    },
    content: {
      bg: 'card',
      borderRadius: 'xl',
      boxShadow: 'over',
      width: '100%',
      maxWidth: '600px',
      position: 'relative',
      outline: 'none',
    },
    header: { padding: '18px 22px 0' },
    title: { fontSize: '17px', fontWeight: 650 },
    body: { padding: '14px 22px 6px' },
    footer: {
      padding: '14px 22px 20px',
      display: 'flex',
      gap: '8px',
      justifyContent: 'flex-end',
      alignItems: 'center',
    },
    closeTrigger: { position: 'absolute', top: '12px', right: '12px' },
  },
});

export const tabs = defineSlotRecipe({
  className: 'rq-tabs',
  slots: ['root', 'trigger', 'list', 'content', 'contentGroup', 'indicator'],
  base: {
    list: { display: 'flex', gap: '2px', borderBottom: '1px solid {colors.line}' },
    trigger: {
      padding: '8px 12px 7px',
      fontSize: '13px',
      fontWeight: 500,
      color: 'ink2',
      cursor: 'pointer',
      borderBottom: '3px solid transparent',
      marginBottom: '-1px',
      _hover: { color: 'ink' },
      _selected: { color: 'ink', fontWeight: 650, borderColor: 'accent' },
      _focusVisible: { ...ring, outlineOffset: '-2px' },
    },
    content: { paddingTop: '16px', outline: 'none' },
  },
});

export const toast = defineSlotRecipe({
  className: 'rq-toast',
  slots: ['root', 'title', 'description', 'indicator', 'closeTrigger', 'actionTrigger'],
  base: {
    root: {
      display: 'flex',
      alignItems: 'center',
      gap: '14px',
      bg: 'bar',
      color: 'white',
      borderRadius: 'l',
      boxShadow: 'over',
      padding: '11px 14px',
      fontSize: '13px',
      maxWidth: '420px',
      translate: 'var(--x) var(--y)',
      scale: 'var(--scale)',
      zIndex: 'var(--z-index)',
      opacity: 'var(--opacity)',
      transition: 'translate 250ms, scale 250ms, opacity 250ms',
    },
    title: { fontWeight: 550 },
    description: { color: 'barText' },
    actionTrigger: {
      marginLeft: 'auto',
      color: 'lamp',
      fontWeight: 650,
      cursor: 'pointer',
      padding: '4px 8px',
      borderRadius: 'm',
      _hover: { bg: 'barHover' },
      _focusVisible: { outline: '2px solid {colors.lamp}' },
    },
    closeTrigger: {
      display: 'grid',
      placeItems: 'center',
      flexShrink: 0,
      width: '28px',
      height: '28px',
      marginY: '-4px',
      marginRight: '-6px',
      color: 'barText',
      cursor: 'pointer',
      borderRadius: 'm',
      _hover: { bg: 'barHover', color: 'white' },
      _focusVisible: { outline: '2px solid {colors.lamp}' },
    },
  },
});

export const popover = defineSlotRecipe({
  className: 'rq-popover',
  slots: [
    'trigger',
    'positioner',
    'content',
    'title',
    'arrow',
    'arrowTip',
    'anchor',
    'indicator',
    'closeTrigger',
    'header',
    'body',
    'footer',
    'description',
  ],
  base: { positioner: { zIndex: 900 } },
});
