// What moves on the Quillhaven pages: messages, menu, tabs, dialog, cookie preferences.
const all = (selector) => [...document.querySelectorAll(selector)];
const one = (selector) => document.querySelector(selector);
const on = (selector, run) => all(selector).forEach((element) => element.addEventListener('click', () => run(element)));

const turn = (step) => {
  const messages = all('.notice .message');
  const at = messages.findIndex((message) => !message.hidden);
  messages.forEach((message, i) => (message.hidden = i !== (at + step + messages.length) % messages.length));
};
on('.notice-prev', () => turn(-1));
on('.notice-next', () => turn(1));
on('.notice-close', () => one('.notice').remove());

on('[aria-expanded][aria-controls]', (button) => {
  const open = button.getAttribute('aria-expanded') !== 'true';
  button.setAttribute('aria-expanded', String(open));
  const panel = document.getElementById(button.getAttribute('aria-controls'));
  if (panel && panel.localName !== 'nav') panel.hidden = !open;
});

on('[role=tab]', (tab) => {
  for (const other of all('[role=tab]')) {
    other.setAttribute('aria-selected', String(other === tab));
    document.getElementById(other.getAttribute('aria-controls')).hidden = other !== tab;
  }
});

on('.open-dialog', () => one('.times-dialog').showModal());
on('.cookies .save', () => one('.cookies').remove());
on('.cookie-again', () => location.reload());
