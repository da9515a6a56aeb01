import { acceptedLocale, type Locale } from "@/contracts/messages";

/** The only words of a query that change what a public page says, and how long each may be. */
const known: Readonly<Record<string, number>> = { date: 36, via: 60 };

/** Where a kept page is found again, and with what it is made. */
export interface PageKey {
  /** path with the known words of the query, in one order */
  readonly path: string;
  readonly locale: Locale;
  readonly host: string;
}

/**
 * What a visitor's page depends on and nothing else: marks that other places add to a link, their order,
 * and the many ways a browser lists its languages all lead to the same page. Null: a word is too long to
 * be kept for others.
 */
export function pageKey(path: string, query: URLSearchParams, acceptLanguage: string, host: string): PageKey | null {
  const kept = new URLSearchParams();
  for (const [name, most] of Object.entries(known)) {
    const value = query.get(name);
    if (value === null) continue;
    if (value.length > most) return null;
    kept.set(name, value);
  }
  const search = kept.size > 0 ? `?${kept}` : "";
  return { path: path + search, locale: acceptedLocale(acceptLanguage), host };
}
