import type { ViewportName } from '@retoque/core';
import { useMemo } from 'react';
import { elementIn } from '../frame/geometry';
import { momentsOf, type Moment } from './moments';
import { PreviewFrame } from './PreviewFrame';

/** What is shown of a component that has behaviours, moment by moment, beside each other. */
export default function Moments({
  html,
  css,
  order,
  viewport,
  behaviours,
  markup,
}: {
  html: string | undefined;
  css: string;
  order: number;
  viewport: ViewportName;
  behaviours: readonly string[];
  /** Of the component. */
  markup: string;
}) {
  const moments = useMemo(() => {
    const template = document.createElement('template');
    template.innerHTML = markup;
    return momentsOf(behaviours, template.content.querySelectorAll('ul > li, ol > li').length);
  }, [behaviours, markup]);
  return (
    <div className="moments">
      {moments.map((moment) => (
        <HeldFrame key={moment.name} moment={moment} html={html} css={css} order={order} viewport={viewport} />
      ))}
    </div>
  );
}

function HeldFrame({
  moment,
  html,
  css,
  order,
  viewport,
}: {
  moment: Moment;
  html: string | undefined;
  css: string;
  order: number;
  viewport: ViewportName;
}) {
  const time = useMemo(
    () => ({
      run: (document: Document) => {
        const host = elementIn(document, order);
        if (!host) return () => {};
        try {
          return moment.hold(host as HTMLElement);
        } catch {
          // A page whose names stand in for what elements can do is shown as it is.
          return () => {};
        }
      },
      refresh: () => {},
    }),
    [moment, order],
  );
  return (
    <figure>
      <PreviewFrame
        html={html}
        css={css}
        order={order}
        viewport={viewport}
        title={moment.label}
        live={false}
        speed={1}
        time={time}
      />
      <figcaption>{moment.label}</figcaption>
    </figure>
  );
}
