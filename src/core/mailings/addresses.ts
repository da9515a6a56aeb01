import { addressesIn, spokenName } from "../shared";

/** One address read from a pasted list. */
export interface ListedAddress {
  readonly name: string;
  /** lower case */
  readonly email: string;
}

export interface AddressList {
  readonly addresses: readonly ListedAddress[];
  /** lines or parts in which no address was found */
  readonly unread: readonly string[];
  readonly duplicates: number;
}

/** What mail programs put before addresses: "To: ", "An: ", "Kopie: "; the scheme of a link. */
const prefix = /^\s*(?!mailto:)\p{L}[\p{L} -]{0,14}:\s*(?=.*@)/u;

/** Who stands in one part: the words beside the first address are its name. */
function readOne(part: string): readonly ListedAddress[] {
  const plain = part.replace(/mailto:/gi, " ").replace(prefix, "");
  const emails = [...new Set(addressesIn(plain).map((one) => one.toLowerCase()))];
  if (emails.length === 0) return [];
  const words = emails
    .reduce(
      (rest, email) => rest.replaceAll(new RegExp(email.replace(/[.*+?^${}()|[\]\\]/g, "\\$&"), "gi"), " "),
      plain,
    )
    .replace(/[<>"()[\]]/g, " ")
    .replace(/\s+/g, " ")
    .replace(/^[\s.,;:'’*•–-]+|[\s.,;:'’*•–-]+$/g, "");
  return emails.map((email, i) => ({ name: i === 0 ? spokenName(words) : "", email }));
}

/** Parts of a line at commas, semicolons and slashes outside quotes; "Doe, Jane <jane@…>" is one. */
function partsOf(line: string): readonly string[] {
  // a comma inside quotes belongs to a name: "Vell, Oskar" <oskar@example.org>
  const raw = line.match(/(?:"[^"]*"|[^,;"/|]|"(?![^"]*"))+|[,;/|]/g) ?? [];
  const out: string[] = [];
  let comma = "";
  for (const piece of raw) {
    const text = piece.trim();
    if (/^[,;/|]$/.test(text)) {
      comma = text === "," ? "," : "";
      continue;
    }
    if (text === "") continue;
    const before = out.at(-1);
    const isFamilyName = comma === "," && before !== undefined && /^[\p{L}\p{M}' ’-]+$/u.test(before);
    if (isFamilyName && /^[\p{L}\p{M}.' ’-]+<[^<>]+>$/u.test(text)) out[out.length - 1] = `${before}, ${text}`;
    else out.push(text);
  }
  return out;
}

/**
 * Addresses from pasted text, as lists come out of mail programs and documents: one a line or parted by commas,
 * semicolons or slashes, with names or without, in angle brackets, quotes or links. One that comes twice counts once.
 */
export function readAddresses(text: string): AddressList {
  const found = new Map<string, ListedAddress>();
  const unread: string[] = [];
  let duplicates = 0;
  for (const part of text.split(/[\r\n\t]+/).flatMap(partsOf)) {
    const some = readOne(part);
    if (some.length === 0) unread.push(part);
    for (const one of some) {
      if (found.has(one.email)) duplicates += 1;
      else found.set(one.email, one);
    }
  }
  return { addresses: [...found.values()], unread, duplicates };
}
