import { addressesIn, isAddress } from "../shared";
import { isZone } from "../time";
import type { ReadableField } from "./fields";

/** One contact as a file or a form gives it. */
export interface ContactDraft {
  readonly name: string;
  /** lower case */
  readonly email: string;
  readonly company: string;
  readonly phone: string;
  /** BCP 47; null where it says none that can be read */
  readonly locale: string | null;
  readonly zone: string | null;
  readonly tags: readonly string[];
  readonly groups: readonly string[];
  readonly note: string;
}

export type ContactFault = "no-address" | "bad-address" | "too-long";

const longest = 200;
// control characters have no place in a name: they would break a mail's header
const clean = (text: string | undefined): string =>
  (text ?? "")
    .replace(/[\u0000-\u001f\u007f]+/g, " ")
    .replace(/\s+/g, " ")
    .trim();
const list = (text: string | undefined): string[] =>
  [
    ...new Set(
      (text ?? "")
        .split(/[;,|]/)
        .map(clean)
        .filter((one) => one !== ""),
    ),
  ].slice(0, 50);

function localeFrom(text: string): string | null {
  try {
    return text === "" ? null : (Intl.getCanonicalLocales(text.replace("_", "-"))[0] ?? null);
  } catch {
    return null;
  }
}

/** Cells by field as a contact, or what is wrong with them. An unreadable zone or language is left out, not refused. */
export function readContact(cells: Readonly<Partial<Record<ReadableField, string>>>): ContactDraft | ContactFault {
  const said = clean(cells.email);
  if (said === "") return "no-address";
  const [first, ...others] = addressesIn(said.replace(/mailto:/gi, " "));
  const email = (first ?? "").toLowerCase();
  if (!isAddress(email)) return "bad-address";
  const name = clean(cells.name) || [clean(cells.given_name), clean(cells.family_name)].filter(Boolean).join(" ");
  const [company, phone, note, zone] = [
    clean(cells.company),
    clean(cells.phone),
    // a book entry has one address to write to; the others are kept where they can be read
    [clean(cells.note), others.length > 0 ? `Also: ${others.join(", ")}` : ""].filter(Boolean).join(" · "),
    clean(cells.time_zone),
  ];
  if (name.length > longest || company.length > longest || phone.length > 60 || note.length > 2000) return "too-long";
  return {
    name,
    email,
    company,
    phone,
    note,
    locale: localeFrom(clean(cells.language)),
    zone: zone !== "" && isZone(zone) ? zone : null,
    tags: list(cells.tags),
    groups: list(cells.groups),
  };
}
