export const surveyPath = (siteId: string, pageId: string) => `/sites/${siteId}/pages/${pageId}`;
export const stylePath = (siteId: string, pageId: string, componentId: string) =>
  `/sites/${siteId}/pages/${pageId}/style/${componentId}`;
/** @param componentId of the component that one comes from, and goes back to */
export const handoverPath = (siteId: string, pageId: string, componentId?: string) =>
  `/sites/${siteId}/pages/${pageId}/handover${componentId === undefined ? '' : `/${componentId}`}`;
