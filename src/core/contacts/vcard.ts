import { foldLine } from "../calendar";
import type { ContactDraft } from "./read-contact";

/** RFC 6350 §3.4: backslash, comma and line breaks of a text value; a semicolon only where fields are parted by it. */
const escape = (text: string): string => text.replace(/[\\,]/g, (one) => `\\${one}`).replace(/\r\n?|\n/g, "\\n");

/** Contacts as vCard 4.0 (RFC 6350), one card each, lines folded at 75 octets. FN is required: a nameless contact shows the address. */
export function vcards(contacts: readonly ContactDraft[]): string {
  const lines = contacts.flatMap((one) => [
    "BEGIN:VCARD",
    "VERSION:4.0",
    `FN:${escape(one.name || one.email)}`,
    `EMAIL:${escape(one.email)}`,
    ...(one.company ? [`ORG:${escape(one.company).replaceAll(";", "\\;")}`] : []),
    ...(one.phone ? [`TEL:${escape(one.phone)}`] : []),
    ...(one.locale ? [`LANG:${one.locale}`] : []),
    ...(one.zone ? [`TZ:${one.zone}`] : []),
    ...(one.tags.length > 0 ? [`CATEGORIES:${one.tags.map(escape).join(",")}`] : []),
    ...(one.note ? [`NOTE:${escape(one.note)}`] : []),
    "END:VCARD",
  ]);
  return lines.map(foldLine).join("");
}
