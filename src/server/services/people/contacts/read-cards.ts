import ICAL from "ical.js";
import { Refusal } from "@/core/shared";
import type { TableRow } from "../../ground/read-table";
import { asVcard3 } from "./vcard-21";

export const cardFields = ["name", "email", "company", "phone", "language", "time_zone", "tags", "note"] as const;

const plain = (text: string): string => text.replace(/\\([;,\\])/g, "$1").trim();

/** A zone by its name where a card should have an offset (RFC 2426 §3.4.1): telephones write it, and it is what is wanted. */
const namedZones = (text: string): string =>
  text.replace(/^((?:[\w-]+\.)?TZ)((?:;(?!VALUE=)[^:;\r\n]*)*):/gim, "$1;VALUE=text$2:");

/** What cannot be read of one field is left out: the card and its file are not given up for it. */
function valuesOf(property: ICAL.Property | undefined): readonly unknown[] {
  try {
    return property?.getValues() ?? [];
  } catch {
    return [];
  }
}

function cellsOf(card: ICAL.Component): readonly string[] {
  const of = (name: string) => {
    const all = card.getAllProperties(name);
    const isPreferred = (one: ICAL.Property) =>
      one.getParameter("pref") !== undefined ||
      [one.getParameter("type")].flat().some((type) => String(type).toLowerCase() === "pref");
    return [...all.filter(isPreferred), ...all.filter((one) => !isPreferred(one))];
  };
  const first = (name: string): string => {
    return plain(
      valuesOf(of(name)[0])
        .flat()
        .map(String)
        .join(name === "categories" ? "," : " "),
    );
  };
  const parts = card.getFirstPropertyValue("n");
  const name = first("fn") || (Array.isArray(parts) ? [parts[1], parts[0]].flat().filter(Boolean).join(" ") : "");
  // all of somebody's addresses: the book writes to the preferred one and keeps the others
  const emails = of("email").map((one) => plain(String(valuesOf(one)[0] ?? "")));
  return [
    name,
    emails.filter(Boolean).join(" "),
    first("org"),
    first("tel").replace(/^tel:/i, ""),
    first("lang"),
    first("tz"),
    first("categories"),
    first("note"),
  ];
}

/**
 * Cards of vCard 2.1, 3 or 4 (vCard 2.1 of 1996, RFC 2426, RFC 6350), each with the line in which it begins.
 * @throws bad-file `not-a-table`, `empty`
 */
export function readCards(text: string, most: number): readonly TableRow[] {
  const starts: number[] = [];
  text.split(/\r\n|\n|\r/).forEach((line, i) => /^BEGIN:VCARD\s*$/i.test(line) && starts.push(i + 1));
  let parsed: unknown;
  try {
    parsed = ICAL.parse(namedZones(asVcard3(text)));
  } catch {
    throw new Refusal({ code: "bad-file", reason: "not-a-table" });
  }
  const roots = Array.isArray((parsed as unknown[])[0]) ? (parsed as never[]) : [parsed as never];
  if (roots.length === 0) throw new Refusal({ code: "bad-file", reason: "empty" });
  return roots
    .slice(0, most)
    .map((root, i) => ({ line: starts[i] ?? i + 1, cells: cellsOf(new ICAL.Component(root)) }));
}
