/**
 * The version in the language that fits a reader best: lookup of RFC 4647 §3.4, subtags taken off the end of each wish
 * in turn, singletons with what follows them; else the first.
 * @param wishes language ranges, the best first
 */
export function bestVersion<V extends { readonly language: string }>(
  versions: readonly V[],
  wishes: readonly string[],
): V | null {
  for (const wish of wishes) {
    let parts = wish.toLowerCase().split("-");
    while (parts.length > 0 && parts[0] !== "*") {
      const found = versions.find((one) => one.language.toLowerCase() === parts.join("-"));
      if (found) return found;
      parts = parts.slice(0, -1);
      // a singleton says nothing without what it introduced
      if (parts.length > 1 && parts.at(-1)!.length === 1) parts = parts.slice(0, -1);
    }
  }
  return versions[0] ?? null;
}
