export const surveyPath = (siteId: string, pageId: string) => `/sites/${siteId}/pages/${pageId}`;
/** @param order of the element that was pointed at, whose part is taken in hand */
export const stylePath = (siteId: string, pageId: string, componentId: string, order?: number) =>
  `/sites/${siteId}/pages/${pageId}/style/${componentId}${order === undefined ? '' : `?at=${order}`}`;
/** @param componentId of the component that one comes from, and goes back to */
export const handoverPath = (siteId: string, pageId: string, componentId?: string) =>
  `/sites/${siteId}/pages/${pageId}/handover${componentId === undefined ? '' : `/${componentId}`}`;
/** @param componentId of the component that one comes from, and goes back to */
export const palettePath = (siteId: string, pageId: string, componentId?: string) =>
  `/sites/${siteId}/pages/${pageId}/palette${componentId === undefined ? '' : `/${componentId}`}`;
