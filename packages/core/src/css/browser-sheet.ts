/**
 * The browser's own rules for HTML, as the WHATWG HTML standard's Rendering section gives them and Chromium applies
 * them, for the properties that the product resolves.
 */
export const BROWSER_SHEET = `
html, body, address, blockquote, center, dialog, div, figure, figcaption, footer, form, header, hr, legend, listing,
main, p, plaintext, pre, search, xmp, article, aside, h1, h2, h3, h4, h5, h6, hgroup, nav, section, dir, dd, dl, dt,
menu, ol, ul, fieldset, details, summary, optgroup, option { display: block }
[hidden], area, base, basefont, datalist, head, link, meta, noembed, noframes, param, rp, script, style, template, title,
noscript { display: none }
li, summary { display: list-item }
table { display: table; border-spacing: 2px; border-collapse: separate; text-indent: 0; border-color: gray; box-sizing: border-box }
caption { display: table-caption; text-align: center } colgroup { display: table-column-group } col { display: table-column }
thead { display: table-header-group } tbody { display: table-row-group } tfoot { display: table-footer-group }
tr { display: table-row } td, th { display: table-cell; padding: 1px } th { font-weight: bold }
input, select, button, textarea, meter, progress { display: inline-block }
slot { display: contents } ruby { display: ruby } rt { display: ruby-text; font-size: 50% }
body { margin: 8px }
p, dl, ul, ol, menu, dir, pre, listing, xmp, plaintext, blockquote, figure { margin-top: 1em; margin-bottom: 1em }
blockquote, figure { margin-left: 40px; margin-right: 40px } dd { margin-left: 40px }
ul, ol, menu, dir { padding-left: 40px } ol { list-style-type: decimal } ul, menu, dir { list-style-type: disc }
h1 { font-size: 2em; margin-top: .67em; margin-bottom: .67em; font-weight: bold }
h2 { font-size: 1.5em; margin-top: .83em; margin-bottom: .83em; font-weight: bold }
h3 { font-size: 1.17em; margin-top: 1em; margin-bottom: 1em; font-weight: bold }
h4 { margin-top: 1.33em; margin-bottom: 1.33em; font-weight: bold }
h5 { font-size: .83em; margin-top: 1.67em; margin-bottom: 1.67em; font-weight: bold }
h6 { font-size: .67em; margin-top: 2.33em; margin-bottom: 2.33em; font-weight: bold }
strong, b { font-weight: bolder } i, cite, em, var, dfn, address { font-style: italic }
small { font-size: smaller } big { font-size: larger } sub, sup { font-size: smaller }
code, kbd, samp, tt, pre, listing, xmp, plaintext { font-family: monospace } 
mark { background-color: mark; color: marktext }
u, ins { text-decoration-line: underline } s, strike, del { text-decoration-line: line-through }
abbr[title] { text-decoration-line: underline; text-decoration-style: dotted }
hr { color: gray; border: 1px inset; margin: .5em auto }
:any-link { color: linktext; text-decoration-line: underline; cursor: pointer }
:any-link:visited { color: visitedtext }
:any-link:active { color: activetext }
:focus-visible { outline: auto 1px -webkit-focus-ring-color }
button, input, select, textarea { margin: 0; font: 400 13.3333px Arial; letter-spacing: normal; word-spacing: normal;
  text-transform: none; text-indent: 0; text-shadow: none; text-align: start; line-height: normal; color: fieldtext; cursor: text }
input { border: 2px inset light-dark(rgb(118, 118, 118), rgb(133, 133, 133)); background-color: field; padding: 1px 2px }
textarea { border: 1px solid light-dark(rgb(118, 118, 118), rgb(133, 133, 133)); background-color: field; padding: 2px;
  font-family: monospace }
select { border: 1px solid light-dark(rgb(118, 118, 118), rgb(133, 133, 133)); background-color: field; cursor: default; border-radius: 0 }
button, input:is([type=button i], [type=submit i], [type=reset i]) { color: buttontext; background-color: buttonface;
  border: 2px outset buttonborder; padding: 1px 6px; text-align: center; cursor: default; box-sizing: border-box }
input:is([type=checkbox i], [type=radio i]) { margin: 3px 3px 3px 4px; padding: 0; background-color: initial; border: initial; cursor: default; box-sizing: border-box }
input:is([type=hidden i]) { display: none }
button:disabled, input:is([type=button i], [type=submit i], [type=reset i]):disabled {
  color: rgba(16, 16, 16, 0.3); background-color: rgba(239, 239, 239, 0.3); border-color: rgba(118, 118, 118, 0.3) }
input:disabled, textarea:disabled, select:disabled { color: rgb(84, 84, 84); cursor: default; border-color: rgba(118, 118, 118, 0.3) }
fieldset { margin: 0 2px; padding: .35em .75em .625em; border: 2px groove rgb(192, 192, 192) } legend { padding: 0 2px }
dialog { position: absolute; margin: auto; border: solid; padding: 1em; background-color: canvas; color: canvastext }
dialog:not([open]) { display: none }
img, video, canvas { overflow-x: clip; overflow-y: clip }
`;
