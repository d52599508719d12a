import type { Cell } from '@retoque/core';

/** Where on the site the value comes from, and what it wins over. */
export function SiteSourceNote({ cell }: { cell: Cell }) {
  const { site } = cell;
  if (!site) return <div className="quiet">Your site sets nothing here; the browser’s own value holds.</div>;
  const over =
    site.beats === 0 ? '' : site.beats === 1 ? ', wins over 1 other rule' : `, wins over ${site.beats} other rules`;
  return (
    <div className="quiet">
      {cell.from === 'look' ? 'Without your change, set on your site by' : 'Set on your site by'}
      <code className="source">{site.selector}</code>
      <code className="where">
        {site.inline ? 'style attribute' : site.sheet.includes(' ') ? site.sheet : `${site.sheet}:${site.line}`}
        {site.important ? ', !important' : ''}
        {over}
      </code>
    </div>
  );
}
