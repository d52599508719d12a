// A page of many elements with a menu of twelve parts, and a look that sets each in eight states at three widths.
const item = (n) =>
  `<article class="tile"><h3>Boat ${n}</h3><p>Leaves at <b>${n % 24}:10</b> from <i>quay ${n}</i>.</p><a href="#${n}">More</a></article>`;
const HEADER = `<header class="top"><div class="utility"><a href="#u">Quay office</a></div><div class="bar"><a class="brand" href="#"><svg viewBox="0 0 9 9"><path d="M0 0h9v9z"/></svg>Line</a>
<nav aria-label="Main menu"><ul><li><a href="#1" aria-current="page">One</a></li><li><a href="#2">Two</a><ul><li><a href="#21">Two one</a></li><li><a href="#22">Two two</a></li></ul></li><li><a href="#3">Three</a></li></ul></nav>
<form><input type="search" name="q" placeholder="Find"><button>Go</button></form><a class="btn" href="#b">Book</a><button class="toggle" aria-controls="m" aria-expanded="false">Menu</button></div></header>`;
export const MENU_CSS = `.top { color: #fff; background: #123 } .top a { color: #fff; padding: 8px } .top a:hover { background: #357; color: #eee } .top a:focus-visible { outline: 2px solid gold }
.top a:active { background: #111 } .top a[aria-current] { font-weight: 700 } .top a[aria-current]:hover { color: gold } .top li ul { background: #fff } .top li li a { color: #123 } .top li li a:hover { background: #2a7f8e }
.btn { background: gold; color: #123 } .btn:hover { background: #fff } .utility { font-size: 14px; color: #9ab } .tile { border: 1px solid #ccc; padding: 12px } .tile:hover { background: #eee }
@media (max-width: 900px) { .top a { padding: 6px } } @media (max-width: 500px) { .top a { padding: 4px } }`;

export function menuPage(count, css = MENU_CSS) {
  let body = HEADER;
  let elements = (HEADER.match(/<[a-z]/g) ?? []).length;
  for (let n = 0; elements < count; n++, elements += 6) body += item(n);
  return `<!doctype html><title>Line</title><style>${css}</style><main>${body}</main>`;
}

export const PARTS = [
  'bar',
  'link',
  'panel',
  'sub-link',
  'utility',
  'utility-link',
  'title',
  'logo',
  'search',
  'search-icon',
  'call',
  'toggle',
];
export const STATES = [
  [],
  ['hover'],
  ['focus', 'focus-visible'],
  ['active'],
  ['current'],
  ['current', 'hover'],
  ['disabled'],
  ['hover', 'focus'],
];

/** A look with something set for every part, in every state and at every width. */
export function fullLook() {
  const settings = PARTS.flatMap((part, p) =>
    STATES.flatMap((states, s) =>
      [undefined, 'medium', 'narrow'].map((viewport, v) => ({
        part,
        property: s % 2 ? 'background-color' : 'color',
        value: `rgb(${p * 20}, ${s * 30}, ${v * 100})`,
        when: {
          states: states.map((state) => ({ part: part === 'logo' ? 'title' : part, state })),
          ...(viewport ? { viewport } : {}),
        },
      })),
    ),
  );
  return { settings, exceptions: [], muted: [] };
}
