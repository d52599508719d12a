/** CSS for what scripts mark, by the behaviours' names. Apart from them, since only what is made anew needs it. */
export const NOTICES_CSS = `[data-turning] ul { display: grid }
[data-way="slide"] ul { overflow: clip; overflow-clip-margin: 6px }
[data-turning] li { grid-area: 1 / 1; visibility: hidden }
[data-turning] li[data-at="now"] { visibility: visible }
[data-way="fade"] li { opacity: 0; transition: opacity var(--rq-turn-time, .4s), visibility var(--rq-turn-time, .4s) }
[data-way="fade"] li[data-at="now"] { opacity: 1 }
[data-way="slide"] li { transition: transform var(--rq-turn-time, .4s), visibility var(--rq-turn-time, .4s) }
[data-way="slide"] li[data-at="after"] { transform: translateX(calc(100% * var(--rq-flow, 1))) }
[data-way="slide"] li[data-at="before"] { transform: translateX(calc(-100% * var(--rq-flow, 1))) }`;

export const TICKER_CSS = `[data-running] { overflow: hidden }
[data-running] ul { width: max-content }`;

export const COUNTING_CSS = '[data-counting] [data-count] > :first-child { font-variant-numeric: tabular-nums }';
