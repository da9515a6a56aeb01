const escape = (text: string): string =>
  text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, "")
    .replaceAll("&", "&amp;")
    .replaceAll("<", "&lt;")
    .replaceAll(">", "&gt;")
    .replaceAll('"', "&quot;");

export interface FeedEntry {
  /** stable, a URI */
  readonly id: string;
  readonly title: string;
  readonly link: string;
  readonly updatedAt: number;
  readonly summary: string;
}

/** An Atom feed (RFC 4287): ids that stay, the newest change on top, everything escaped. */
export function atomFeed(
  feed: { id: string; title: string; link: string; self: string; author: string },
  entries: readonly FeedEntry[],
): string {
  const at = (instant: number): string => new Date(instant).toISOString().replace(/\.\d{3}Z$/, "Z");
  const updated = Math.max(0, ...entries.map((entry) => entry.updatedAt));
  const lines = [
    '<?xml version="1.0" encoding="utf-8"?>',
    '<feed xmlns="http://www.w3.org/2005/Atom">',
    `<id>${escape(feed.id)}</id>`,
    `<title>${escape(feed.title)}</title>`,
    `<updated>${at(updated)}</updated>`,
    `<author><name>${escape(feed.author)}</name></author>`,
    `<link rel="alternate" href="${escape(feed.link)}"/>`,
    `<link rel="self" href="${escape(feed.self)}"/>`,
    ...[...entries]
      .sort((a, b) => b.updatedAt - a.updatedAt)
      .map(
        (entry) =>
          `<entry><id>${escape(entry.id)}</id><title>${escape(entry.title)}</title><updated>${at(entry.updatedAt)}</updated><link href="${escape(entry.link)}"/><summary>${escape(entry.summary)}</summary></entry>`,
      ),
    "</feed>",
  ];
  return `${lines.join("\n")}\n`;
}
