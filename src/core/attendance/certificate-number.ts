/** Letters and digits of a certificate's number: none that is mistaken for another when it is read out. */
export const numberLength = 12;

/** A certificate's number as it is printed: in groups of four. */
export const printedNumber = (code: string): string => code.replace(/(.{4})(?=.)/g, "$1-");

/** A number as somebody typed it: blanks, hyphens and small letters are as good. Null for what cannot be one. */
export function readNumber(typed: string): string | null {
  const code = typed.replace(/[\s\-–]/g, "").toUpperCase();
  return /^[0-9A-Z]{12}$/.test(code) ? code : null;
}
