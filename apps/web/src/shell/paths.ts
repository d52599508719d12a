export const surveyPath = (siteId: string, pageId: string) => `/sites/${siteId}/pages/${pageId}`;
export const stylePath = (siteId: string, pageId: string, componentId: string) =>
  `/sites/${siteId}/pages/${pageId}/style/${componentId}`;
export const handoverPath = (siteId: string, pageId: string, componentId: string) =>
  `/sites/${siteId}/pages/${pageId}/handover/${componentId}`;
