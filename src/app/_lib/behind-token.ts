/** Pages that only their link opens: the token is in the address. */
const paths = /^\/(ticket|enter|reply|unsubscribe|join|new-password|survey|summary|screening|own-data)\//;
/** Words of a query that carry somebody's token: an invitation's, a ticket's, a proof's. */
const words = ["for", "move", "proof", "ticket"];

/** Whether an address holds a secret: it goes into no other site's log, no shared cache and no search engine. */
export const isBehindToken = (path: string, query: URLSearchParams): boolean =>
  paths.test(path) || words.some((word) => query.has(word));
