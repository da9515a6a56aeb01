/** One address read from a pasted list. */
export interface ListedAddress {
  readonly name: string;
  readonly email: string;
}

export interface AddressList {
  readonly addresses: readonly ListedAddress[];
  /** lines or parts in which no address was found */
  readonly unread: readonly string[];
  readonly duplicates: number;
}

const address = /[^\s<>,;"()]+@[^\s<>,;"()]+\.[^\s<>,;"().]{2,}/;

function readOne(part: string): ListedAddress | null {
  const plain = part.replace(/mailto:/gi, "");
  const match = address.exec(plain);
  if (!match) return null;
  const email = match[0].toLowerCase();
  const name = plain
    .replace(match[0], "")
    .replace(/[<>"()]/g, "")
    .replace(/\s+/g, " ")
    .trim();
  return { name, email };
}

/**
 * Addresses from pasted text, one a line or parted by commas or semicolons, with or without names
 * ("Ines Marl <ines@example.org>"). An address that comes twice counts once.
 */
export function readAddresses(text: string): AddressList {
  const found = new Map<string, ListedAddress>();
  const unread: string[] = [];
  let duplicates = 0;
  // a comma inside quotes belongs to a name: "Vell, Oskar" <oskar@example.org>
  const parts = text.match(/(?:"[^"\n]*"|[^\n\r,;"]|"(?![^"\n]*"))+/g) ?? [];
  for (const part of parts.map((one) => one.trim())) {
    if (part === "") continue;
    const one = readOne(part);
    if (!one) unread.push(part);
    else if (found.has(one.email)) duplicates += 1;
    else found.set(one.email, one);
  }
  return { addresses: [...found.values()], unread, duplicates };
}
