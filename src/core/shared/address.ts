const atom = "[^\\s@<>(),;:\"'\\\\\\[\\].]+";
const label = "[\\p{L}\\p{N}](?:[\\p{L}\\p{N}-]*[\\p{L}\\p{N}])?";
const text = `${atom}(?:\\.${atom})*@(?:${label}\\.)+${label}`;
const whole = new RegExp(`^${text}$`, "u");
const anywhere = new RegExp(text, "gu");

/**
 * Whether a text is a mail address: a dot-string before the sign, a domain of at least two labels behind it (RFC 5321
 * §4.1.2, with the letters of RFC 6531). Quoted local parts and address literals are none here: nobody types them.
 */
export const isAddress = (one: string): boolean =>
  one.length <= 254 && whole.test(one) && one.split(".").at(-1)!.length >= 2;

/** Every address that stands in a text, as written. */
export const addressesIn = (some: string): readonly string[] =>
  // the sign twice, or two points, is no address with something before it
  (some.match(anywhere) ?? []).filter(
    (one) => isAddress(one) && !some.includes(`@${one}`) && !some.includes(`.${one}`),
  );

/** "Doe, Jane" as one greets her: Jane Doe. A name with more commas, or none, stays as it is. */
export function spokenName(name: string): string {
  const parts = name.split(",").map((part) => part.trim());
  const [family, given] = parts;
  return parts.length === 2 &&
    family &&
    given &&
    !/\d|^(jr|sr|ph\.?d|m\.?d|b\.?sc|m\.?sc|esq|inc|ltd|gmbh)\b/i.test(given!)
    ? `${given} ${family}`
    : name;
}
