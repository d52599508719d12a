/** CSS for what scripts mark, by the behaviours' names. Apart from them, since only what is made anew needs it. */
export const NOTICES_CSS = `[data-turning] [data-list] { display: grid }
[data-way="slide"] [data-list] { overflow: clip; overflow-clip-margin: 6px }
[data-turning] [data-list] > * { grid-area: 1 / 1; visibility: hidden }
[data-turning] [data-list] > [data-at="now"] { visibility: visible }
[data-way="fade"] [data-list] > * { opacity: 0; transition: opacity var(--rq-turn-time, .4s), visibility var(--rq-turn-time, .4s) }
[data-way="fade"] [data-list] > [data-at="now"] { opacity: 1 }
[data-way="slide"] [data-list] > * { transition: transform var(--rq-turn-time, .4s), visibility var(--rq-turn-time, .4s) }
[data-way="slide"] [data-list] > [data-at="after"] { transform: translateX(calc(100% * var(--rq-flow, 1))) }
[data-way="slide"] [data-list] > [data-at="before"] { transform: translateX(calc(-100% * var(--rq-flow, 1))) }`;

/** Buttons that turn messages, where a site has none: in the colour of the text around them. */
export const TURNS_CSS = `.rq-turns { display: none; gap: .2em; align-items: center }
[data-turning] .rq-turns { display: flex }
.rq-turns button { min-width: 1.8em; min-height: 1.8em; padding: 0; border: 0; border-radius: 4px; background: none; color: inherit; font: inherit; cursor: pointer }
.rq-turns button[aria-pressed="true"] { box-shadow: inset 0 0 0 2px currentColor }
.rq-turns button:focus-visible { outline: 2px solid currentColor; outline-offset: 2px }`;

/** The same for what stops a line that runs. */
export const PAUSE_CSS = `.rq-pause { display: none; border: 0; background: none; color: inherit; font: inherit; cursor: pointer }
[data-running] .rq-pause { display: block; min-width: 2em; min-height: 2em }
.rq-pause[aria-pressed="true"] { box-shadow: inset 0 0 0 2px currentColor }
.rq-pause:focus-visible { outline: 2px solid currentColor; outline-offset: -2px }`;

export const TICKER_CSS = `[data-running] { overflow: hidden }
[data-running] [data-list] { width: max-content }`;

export const COUNTING_CSS = '[data-counting] [data-count] > :first-child { font-variant-numeric: tabular-nums }';
