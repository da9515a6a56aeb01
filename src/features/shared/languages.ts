import type { Choice } from "@/ui";

/** ISO 639-1 codes, with the variants that interpreters are booked for, and International Sign (ISO 639-3). */
const tags =
  "af am ar az be bg bn bs ca cs cy da de el en es es-419 et eu fa fi fil fr ga gl gu ha he hi hr hu hy id ig is it ja ka kk km kn ko ky lb lo lt lv mk ml mn mr ms mt my nb ne nl nn pa pl ps pt pt-BR ro ru si sk sl so sq sr sv sw ta te th ti tr uk ur uz vi wo xh yo zh-Hans zh-Hant zu ils".split(
    " ",
  );
const unnamed: Readonly<Record<string, string>> = { ils: "International Sign" };

const names = new Map<string, Intl.DisplayNames>();
/** Made once for each language: it reads tables, and pages draw themselves many times a second. */
function namesIn(locale: string): Intl.DisplayNames {
  const known = names.get(locale) ?? new Intl.DisplayNames([locale], { type: "language", fallback: "none" });
  names.set(locale, known);
  return known;
}

/** A language by its name in the reader's own; English unless said otherwise. */
export const languageName = (tag: string, locale = "en"): string => unnamed[tag] ?? namesIn(locale).of(tag) ?? tag;

let choices: readonly Choice[] | null = null;
/** Languages by their English names, found by what they call themselves too. */
export const languageChoices = (): readonly Choice[] =>
  (choices ??= tags
    .map((tag) => {
      const own = namesIn(tag).of(tag);
      return { value: tag, label: languageName(tag), also: [tag, ...(own ? [own] : [])] };
    })
    .sort((a, b) => a.label.localeCompare(b.label)));
