/** What turns messages: both ways, and what stops them. */
export const TURNS = `<div class="rq-turns">
    <button type="button" class="arrow" data-do="previous" aria-label="Previous message">‹</button>
    <button type="button" class="pause" data-do="pause" aria-label="Pause the messages">‖</button>
    <button type="button" class="arrow" data-do="next" aria-label="Next message">›</button>
  </div>`;

/** What stops a line that runs. */
export const PAUSE = '<button type="button" class="rq-pause" data-do="pause" aria-label="Pause the line">‖</button>';

/** What stops messages that turn, where there are arrows. */
export const TURNS_PAUSE = `<div class="rq-turns"><button type="button" class="pause" data-do="pause" aria-label="Pause the messages">‖</button></div>`;
