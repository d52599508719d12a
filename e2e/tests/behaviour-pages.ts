import { starterOf } from '@retoque/core';

/** Content Security Policy 3: scripts and styles from the site's own files alone. */
export const POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self'";

/** What stands on a page of a site that has the script. */
export interface Made {
  readonly body: string;
  readonly css?: string;
  readonly lang?: string;
  readonly dir?: 'rtl' | 'ltr';
  /** How often the script is included. */
  readonly times?: number;
}

/** The page as the site serves it: its sheet lies beside it, and the script at `/b.js`. */
export function pageOf(path: string, { body, lang = 'en', dir = 'ltr', times = 1 }: Made): string {
  const tags = Array.from(
    { length: times },
    (_, i) => `<script type="module" async blocking="render" src="/b.js${i ? `?${i}` : ''}"></script>`,
  );
  return `<!doctype html><html lang="${lang}" dir="${dir}"><head><meta charset="utf-8"><title>Quay</title><link rel="stylesheet" href="${path}.css">${tags.join('')}</head><body><main><h1>Quay</h1><h2>Boats</h2>${body}<p id="after">After it.</p></main></body></html>`;
}

/** A component as it is made anew, with settings of its own. */
export const made = (kind: string, set = ''): { body: string; css: string } => {
  const { html, css } = starterOf(kind)!;
  const name = /class="([\w-]+)/.exec(html)![1]!;
  return { body: html, css: `${css}\n.${name} { ${set} }` };
};
