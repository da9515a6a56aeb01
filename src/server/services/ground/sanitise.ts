import sanitizeHtml from "sanitize-html";

/** The allow-list of rich text: what the editor can make, and nothing else. Run on saving and on output. */
export const cleanHtml = (html: string): string =>
  sanitizeHtml(html, {
    allowedTags: ["p", "br", "strong", "em", "u", "s", "h2", "h3", "ul", "ol", "li", "blockquote", "a"],
    allowedAttributes: { a: ["href", "rel", "target"] },
    allowedSchemes: ["https", "http", "mailto"],
    transformTags: { a: sanitizeHtml.simpleTransform("a", { rel: "noopener noreferrer nofollow", target: "_blank" }) },
  });

/** Rich text as plain text, for calendar files and descriptions in search results. */
export const plainText = (html: string): string =>
  sanitizeHtml(html.replace(/<\/(p|h2|h3|li|blockquote)>|<br\s*\/?>/g, "\n"), {
    allowedTags: [],
    allowedAttributes: {},
    textFilter: (text) =>
      text.replaceAll("&amp;", "&").replaceAll("&lt;", "<").replaceAll("&gt;", ">").replaceAll("&quot;", '"'),
  }).trim();
