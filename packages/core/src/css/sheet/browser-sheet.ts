/**
 * The browser's own rules for HTML: the WHATWG HTML standard's Rendering section (15), with what Chromium adds for the
 * properties that the product resolves. What differs from the standard was read off Chromium's computed styles.
 */
export const BROWSER_SHEET = `
/* 15.3.1 Hidden elements */
area, base, basefont, datalist, head, link, meta, noembed, noframes, param, rp, script, style, template, title, noscript { display: none }
input[type=hidden i] { display: none !important }
audio:not([controls]) { display: none !important }
embed[hidden] { display: inline; height: 0; width: 0 }

/* 15.3.2 The page, 15.3.3 Flow content */
html, body, address, blockquote, center, dialog, div, figure, figcaption, footer, form, header, hr, legend, listing, main,
p, plaintext, pre, search, xmp, article, aside, h1, h2, h3, h4, h5, h6, hgroup, nav, section, dir, dd, dl, dt, menu, ol, ul,
fieldset, details, summary, optgroup, option, frameset, frame { display: block }
body { margin: 8px }
p, dl, ul, ol, menu, dir, pre, listing, xmp, plaintext, blockquote, figure { margin-block: 1em }
p, h1, h2, h3, h4, h5, h6, pre, listing, xmp, plaintext { margin-inline: 0 }
blockquote, figure { margin-inline: 40px } dd { margin-inline-start: 40px }
center { text-align: -webkit-center }
address, cite, dfn, em, i, var { font-style: italic }
listing, plaintext, pre, xmp { font-family: monospace; white-space: pre }
address, blockquote, center, div, figure, figcaption, footer, form, header, hr, legend, listing, main, p, plaintext, pre,
summary, xmp, article, aside, h1, h2, h3, h4, h5, h6, hgroup, nav, section, search, table, caption, colgroup, col, thead,
tbody, tfoot, tr, td, th, dir, dd, dl, dt, menu, ol, ul, li, bdi, output, [dir=ltr i], [dir=rtl i], [dir=auto i] { unicode-bidi: isolate }
bdo, bdo[dir] { unicode-bidi: isolate-override }

/* 15.3.4 Phrasing content */
b, strong { font-weight: bolder }
code, kbd, samp, tt { font-family: monospace }
small { font-size: smaller } big { font-size: larger }
sub { vertical-align: sub; font-size: smaller } sup { vertical-align: super; font-size: smaller }
ruby { display: ruby } ruby > rt { display: ruby-text; font-size: 50% } rt { line-height: normal; text-emphasis: none } ruby, rt { text-indent: 0 }
mark { background-color: mark; color: marktext }
ins, u { text-decoration: underline } del, s, strike { text-decoration: line-through }
abbr[title], acronym[title] { text-decoration: underline dotted }
nobr { white-space: nowrap }
q::before { content: open-quote } q::after { content: close-quote }
wbr { display: inline }
:any-link { color: -webkit-link; text-decoration: underline; cursor: pointer }
:any-link:visited { color: visitedtext }
:any-link:active { color: -webkit-activelink }
:focus-visible { outline: auto 1px -webkit-focus-ring-color }
html:focus-visible, body:focus-visible { outline: none }
:any-link:focus-visible { outline-offset: 1px }

/* 15.3.6 Sections and headings */
h1 { font-size: 2em; margin-block: .67em; font-weight: bold }
h2 { font-size: 1.5em; margin-block: .83em; font-weight: bold }
h3 { font-size: 1.17em; margin-block: 1em; font-weight: bold }
h4 { margin-block: 1.33em; font-weight: bold }
h5 { font-size: .83em; margin-block: 1.67em; font-weight: bold }
h6 { font-size: .67em; margin-block: 2.33em; font-weight: bold }

/* 15.3.7 Lists */
dir, menu, ul { list-style-type: disc; padding-inline-start: 40px } ol { list-style-type: decimal; padding-inline-start: 40px }
li { display: list-item }
:is(dir, dl, menu, ol, ul) :is(dir, dl, menu, ol, ul) { margin-block: 0 }
:is(dir, menu, ol, ul) :is(dir, menu, ul) { list-style-type: circle }
:is(dir, menu, ol, ul) :is(dir, menu, ol, ul) :is(dir, menu, ul) { list-style-type: square }
::marker { unicode-bidi: isolate; font-variant-numeric: tabular-nums; text-transform: none; text-indent: 0 !important;
  text-align: start !important; text-align-last: auto !important }

/* 15.3.8 Tables */
table { display: table; box-sizing: border-box; border-spacing: 2px; border-collapse: separate; text-indent: initial }
caption { display: table-caption; text-align: -webkit-center }
colgroup { display: table-column-group } col { display: table-column }
thead { display: table-header-group } tbody { display: table-row-group } tfoot { display: table-footer-group }
thead, tbody, tfoot { vertical-align: middle; border-color: inherit }
tr { display: table-row; vertical-align: inherit; border-color: inherit }
td, th { display: table-cell; vertical-align: inherit }
th { font-weight: bold; text-align: -internal-center }

/* 15.3.11 The hr element, 15.3.12 Fieldsets */
hr { overflow: hidden; margin-block: .5em; margin-inline: auto; border: 1px inset; color: gray }
fieldset { margin-inline: 2px; border: 2px groove threedface; padding-block: .35em .625em; padding-inline: .75em; min-inline-size: min-content }
legend { padding-inline: 2px }

/* 15.4 Replaced elements */
audio { width: 300px; height: 54px }
video { object-fit: contain }
img, video, canvas { overflow: clip }
iframe, embed, object { overflow: clip !important }
iframe { border: 2px inset }
embed:focus-visible, iframe:focus-visible, object:focus-visible { outline: none }
svg:not(:root) { overflow: hidden } svg { text-underline-offset: auto }
svg *:not(foreignObject *) { transform-origin: 0 0 }
svg text, svg foreignObject { display: block } svg text, svg tspan { white-space: nowrap }

/* 15.5 Widgets */
input, select, button, textarea { margin: 0; font: -webkit-small-control; display: inline-block; text-rendering: auto;
  letter-spacing: normal; word-spacing: normal; text-transform: none; text-indent: 0; text-shadow: none; text-align: start;
  line-height: normal; color: fieldtext; font-family: Arial; font-size: 13.3333px; font-weight: 400; font-style: normal }
input { appearance: auto; cursor: text; border: 2px inset light-dark(rgb(118, 118, 118), rgb(133, 133, 133)); background-color: field;
  padding-block: 1px; padding-inline: 2px }
input:not([type=range i], [type=checkbox i], [type=radio i]) { overflow: clip !important }
textarea { appearance: auto; cursor: text; white-space: pre-wrap; overflow-wrap: break-word; font-family: monospace; overflow: auto;
  border: 1px solid light-dark(rgb(118, 118, 118), rgb(133, 133, 133)); background-color: field; padding: 2px; resize: both }
input:focus-visible, textarea:focus-visible, select:focus-visible { outline-offset: 0 }
button { appearance: auto }
button, input:is([type=button i], [type=submit i], [type=reset i]) { text-align: center; cursor: default; box-sizing: border-box;
  padding-block: 1px; padding-inline: 6px; border: 2px outset buttonborder; background-color: buttonface; color: buttontext }
input:is([type=button i], [type=submit i], [type=reset i]) { white-space: pre; user-select: none }
input:is([type=button i], [type=submit i], [type=reset i]):active, button:active { border-style: inset }
input:is([type=button i], [type=submit i], [type=reset i], [type=color i]):disabled, button:disabled {
  background-color: light-dark(rgba(239, 239, 239, .3), rgba(19, 1, 1, .3));
  border-color: light-dark(rgba(118, 118, 118, .3), rgba(195, 195, 195, .3)); color: light-dark(rgba(16, 16, 16, .3), rgba(255, 255, 255, .3)) }
input:is([type=button i], [type=submit i], [type=reset i]):active:disabled, button:active:disabled { border-style: outset }
input[type=checkbox i] { margin: 3px 3px 3px 4px } input[type=radio i] { margin: 3px 3px 0 5px }
input:is([type=checkbox i], [type=radio i]):focus-visible { outline-offset: 2px }
input:is([type=checkbox i], [type=file i], [type=hidden i], [type=image i], [type=radio i], [type=range i]):disabled { background-color: initial }
input[type=color i] { box-sizing: border-box; inline-size: 50px; block-size: 27px; border: 1px solid buttonborder; padding: 1px 2px; cursor: default;
  background-color: buttonface; color: buttontext }
input:is([type=date i], [type=datetime-local i], [type=month i], [type=time i], [type=week i]) { padding: 0; cursor: default;
  font-family: monospace; padding-inline-start: 1px }
input:is([type=hidden i], [type=image i], [type=file i]) { appearance: none; padding: initial; background-color: initial; border: initial; cursor: default }
input[type=file i] { align-items: baseline; color: inherit; white-space: pre; text-align: start !important; text-overflow: ellipsis !important }
input[type=image i] { cursor: pointer }
input[type=range i] { padding: initial; border: initial; margin: 2px; cursor: default; color: light-dark(rgb(16, 16, 16), rgb(255, 255, 255)) }
input[type=range i] { color: rgb(157, 150, 142) } input[type=range i]:disabled { color: rgb(197, 197, 197) }
input:disabled, textarea:disabled { cursor: default; background-color: light-dark(rgba(239, 239, 239, .3), rgba(59, 59, 59, .3));
  color: light-dark(rgb(84, 84, 84), rgb(170, 170, 170)); border-color: rgba(118, 118, 118, .3) }
input:is([type=radio i], [type=checkbox i]) { padding: initial; background-color: initial; border: initial; cursor: default; box-sizing: border-box }
input[type=search i] { box-sizing: border-box }
input[type=tel i] { direction: ltr }
select { appearance: auto; box-sizing: border-box; align-items: center; white-space: pre; color: fieldtext; background-color: field;
  border: 1px solid light-dark(rgb(118, 118, 118), rgb(133, 133, 133)); cursor: default; border-radius: 0 }
select:not(:-internal-list-box) { background-color: buttonface; color: buttontext; overflow: clip !important }
select:-internal-list-box { overflow-inline: hidden; overflow-block: scroll;
  vertical-align: text-bottom; align-items: flex-start; white-space: nowrap; border-radius: 2px }
select:disabled { opacity: .7; color: light-dark(graytext, #aaa); border-color: rgba(118, 118, 118, .3) }
optgroup { font-weight: bolder }
option { font-weight: normal; padding-block: 0 1px; padding-inline: 2px; white-space: nowrap; min-block-size: 1.2em }
select:-internal-list-box :is(option, optgroup) { line-height: initial !important }
select:not(:-internal-list-box) optgroup { white-space: normal }
select:not(:-internal-list-box) option { min-inline-size: 24px; min-block-size: 24px; align-items: center; gap: .5em }
optgroup option { padding-inline-start: 20px }
optgroup:disabled, option:disabled, select[disabled] > option { color: light-dark(graytext, #aaa) }
label { cursor: default }
meter { appearance: auto; box-sizing: border-box; display: inline-block; block-size: 1em; inline-size: 5em; vertical-align: -.2em }
progress { appearance: auto; box-sizing: border-box; display: inline-block; block-size: 1em; inline-size: 10em; vertical-align: -.2em }
marquee { display: inline-block; width: -webkit-fill-available; overflow: hidden !important; white-space: nowrap }
slot { display: contents }
input::placeholder, textarea::placeholder { display: block; unicode-bidi: isolate; color: light-dark(darkgray, gray); white-space: pre; overflow-wrap: normal;
  pointer-events: none !important }
input::placeholder { overflow: hidden; text-overflow: inherit; line-height: initial !important }
textarea::placeholder { white-space: pre-wrap; overflow-wrap: break-word }
input[type=file i]::file-selector-button { display: inline-block; overflow: clip; user-select: none; text-align: center; cursor: default; padding-block: 1px; padding-inline: 6px; border: 2px outset buttonborder;
  background-color: buttonface; color: buttontext; box-sizing: border-box; margin-inline-end: 4px; white-space: nowrap; appearance: auto;
  font-family: Arial; font-size: 13.3333px; line-height: normal; letter-spacing: normal; text-transform: none }

/* 15.5.14 Details, 15.5.15 Dialogs and popovers */
details > summary:first-of-type { display: list-item; counter-increment: list-item 0; list-style: disclosure-closed inside }
details[open] > summary:first-of-type { list-style-type: disclosure-open }
dialog { position: absolute; inset-inline: 0; width: fit-content; height: fit-content; margin: auto; border: solid; padding: 1em;
  background-color: canvas; color: canvastext }
dialog:not([open]), [popover]:not(:popover-open):not(dialog[open]) { display: none }
dialog[open] { display: block }
[popover] { position: fixed; inset: 0; width: fit-content; height: fit-content; margin: auto; border: solid; padding: .25em; overflow: auto;
  color: canvastext; background-color: canvas }
[popover] { overlay: none !important }
dialog::backdrop, [popover]::backdrop { position: fixed; inset: 0; background-color: rgba(0, 0, 0, .1) }
`;

/** What quirks mode adds (HTML, sections 15.3.8 and 15.3.3). */
export const QUIRKS_SHEET = `
table { font-weight: initial; font-style: initial; font-variant: initial; font-size: initial; line-height: initial; white-space: initial;
  text-align: initial; color: -internal-quirk-inherit }
form { margin-block-end: 1em }
input:not([type=image i]), textarea { box-sizing: border-box }
li { list-style-position: inside }
li :is(dir, menu, ol, ul) { list-style-position: outside }
:is(dir, menu, ol, ul) :is(dir, menu, ol, ul, li) { list-style-position: unset }
img[align=left i] { margin-right: 3px } img[align=right i] { margin-left: 3px }
`;
