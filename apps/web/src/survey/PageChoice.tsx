import type { PageSummary } from '@retoque/contract';
import { useNavigate } from 'react-router';
import { PageSelect } from '../shell/PageSelect';
import { surveyPath } from '../shell/paths';

/** Which page of the site is looked at. */
export function PageChoice({
  siteId,
  pageId,
  pages,
}: {
  siteId: string;
  pageId: string;
  pages: readonly PageSummary[];
}) {
  const navigate = useNavigate();
  return <PageSelect pages={pages} value={pageId} onChange={(id) => void navigate(surveyPath(siteId, id))} />;
}
