/**
 * Words of the team's live screens. The English sentence is the key, as in gettext: it stands where it is shown, and
 * a table of another language says the same with {0}, {1} … in the places of what is put in.
 */
export type SayTable = Readonly<Record<string, string | PluralForms>>;
/** By CLDR's plural category of the first number that is put in. */
export type PluralForms = Readonly<Partial<Record<Intl.LDMLPluralRule, string>>> & { readonly other: string };

export interface Say {
  /** BCP 47; English as it is written in Britain */
  readonly locale: string;
  (strings: TemplateStringsArray, ...values: readonly unknown[]): string;
  /** a sentence that stands in a list of words: `phrase` marked it there */
  of(sentence: string): string;
}

/** Marks a sentence in a list of words, so that it is known as one that is said. */
export const phrase = <T extends string>(sentence: T): T => sentence;

export const keyOf = (strings: readonly string[]): string =>
  strings.reduce((key, part, i) => (i === 0 ? part : `${key}{${i - 1}}${part}`), "");

const fill = (text: string, values: readonly unknown[]): string =>
  text.replace(/\{(\d+)\}/g, (_, i: string) => String(values[Number(i)] ?? ""));

/** How sentences are said in a language; what its table lacks stays English. */
export function sayIn(locale: string, table: SayTable): Say {
  const rules = new Intl.PluralRules(locale);
  const said = (key: string, values: readonly unknown[]): string => {
    const own = table[key];
    if (own === undefined || typeof own === "string") return fill(own ?? key, values);
    const counted = values.find((one) => typeof one === "number");
    return fill(own[rules.select(Number(counted ?? 0))] ?? own.other, values);
  };
  return Object.assign((strings: TemplateStringsArray, ...values: readonly unknown[]) => said(keyOf(strings), values), {
    locale: locale === "en" ? "en-GB" : locale,
    of: (sentence: string) => said(sentence, []),
  });
}

/** As it stands in the source. */
export const sayEnglish: Say = sayIn("en", {});
