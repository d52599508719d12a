import { oneBlock } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { scriptQuery } from '../api/queries';
import { CopyButton } from './CopyButton';

/** A component with its CSS and script as one block, for hosts that take nothing else. */
export function BlockButton({ html, css, behaviours }: { html: string; css: string; behaviours: readonly string[] }) {
  const script = useQuery(scriptQuery(behaviours));
  if (behaviours.length && !script.data) return null;
  return (
    <CopyButton
      text={oneBlock(html, css, script.data?.minified ?? '')}
      label="Copy as one block, with CSS and script"
    />
  );
}
