import { markupOf } from '../behaviours/behaviour.js';
import { MENU_KEYS } from '../behaviours/menu.js';
import type { Starter } from '../kind.js';

export const MENU_STARTER: Starter = {
  html: `<nav class="rq-menu" aria-label="Main menu"><button type="button" class="menu-toggle" data-do="menu">Menu</button><ul><li><a href="#" aria-current="page">Start</a></li><li><a href="#">About</a><ul><li><a href="#">People</a></li></ul></li></ul>${markupOf(MENU_KEYS)}</nav>`,
  css: '.rq-menu ul { list-style: none; margin: 0; padding: 0; display: flex; gap: .25em; background: #1f4e5f }\n.rq-menu li { position: relative }\n.rq-menu a { display: block; padding: .7em 1em; color: #fff; text-decoration: none }\n.rq-menu a:hover { background: #163944 }\n.rq-menu a:focus-visible { outline: 2px solid #fff; outline-offset: -4px }\n.rq-menu a[aria-current] { box-shadow: inset 0 -3px #fff }\n.rq-menu li ul { position: absolute; top: 100%; left: 0; display: none; min-width: 12em }\n.rq-menu li:is(:hover, :focus-within) > ul { display: block }\n.rq-menu .menu-toggle { display: none; padding: .7em 1em; border: 0; background: #1f4e5f; color: #fff; font: inherit; cursor: pointer }\n.rq-menu .menu-toggle:focus-visible { outline: 2px solid #fff; outline-offset: -4px }\n@media (max-width: 600px) {\n  .rq-menu ul { flex-direction: column }\n  .rq-menu li ul { position: static; padding-inline-start: 1em }\n  .rq-menu[data-menu] .menu-toggle { display: block }\n  .rq-menu[data-menu]:not([data-open]) > ul { display: none }\n}',
};
