/** The cookie that remembers a page's access code: for the page and whatever else of its event opens by it. */
export const passCookie = (slug: string): string => `sc-pass-${slug}`;
