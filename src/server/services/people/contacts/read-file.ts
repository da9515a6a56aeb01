import type { ImportPreview } from "@/contracts";
import { guessMapping, readContact, type ContactDraft, type ContactFault, type ReadableField } from "@/core/contacts";
import { Refusal } from "@/core/shared";
import { readTable } from "../../ground/read-table";
import { cardFields, readCards } from "./read-cards";
import { textOf } from "../../ground/text-of";

const maxBytes = 30_000_000;
const mostContacts = 100_000;

interface BadContact {
  readonly line: number;
  readonly reason: ContactFault;
}

/** A file of contacts as far as it can be told before it is taken in. */
interface ContactFile {
  readonly kind: "csv" | "vcard";
  readonly header: readonly string[];
  readonly mapping: readonly (ReadableField | null)[];
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[];
}

const faults: Readonly<Record<ContactFault, string>> = {
  "no-address": "no address",
  "bad-address": "the address cannot be read",
  "too-long": "something in it is too long",
};
const faultWords = (fault: ContactFault): string => faults[fault];

function readCsv(text: string): ContactFile {
  const { header, rows } = readTable(text, mostContacts);
  return { kind: "csv", header, mapping: guessMapping(header), rows };
}

/** Reads a file of contacts: vCard where it begins like one, else delimited text. */
function readContactFile(bytes: Uint8Array): ContactFile {
  const text = textOf(bytes, maxBytes);
  if (!/^\s*BEGIN:VCARD/i.test(text)) return readCsv(text);
  const rows = readCards(text, mostContacts);
  return { kind: "vcard", header: [...cardFields], mapping: [...cardFields], rows };
}

/** Somebody who stands in a file twice: the first row's words stand, what it lacks comes from the second. */
const joined = (one: ContactDraft, other: ContactDraft): ContactDraft => ({
  ...one,
  name: one.name || other.name,
  company: one.company || other.company,
  phone: one.phone || other.phone,
  note: one.note || other.note,
  locale: one.locale ?? other.locale,
  zone: one.zone ?? other.zone,
  tags: [...new Set([...one.tags, ...other.tags])],
  groups: [...new Set([...one.groups, ...other.groups])],
});

/** Rows as contacts by a mapping: good ones once an address, bad ones with line and reason. */
function draftsOf(
  file: ContactFile,
  mapping: readonly (ReadableField | null)[],
): { drafts: readonly ContactDraft[]; bad: readonly BadContact[] } {
  const drafts = new Map<string, ContactDraft>();
  const bad: BadContact[] = [];
  for (const { line, cells } of file.rows) {
    const byField: Partial<Record<ReadableField, string>> = {};
    mapping.forEach((field, i) => {
      if (field) byField[field] = cells[i] ?? "";
    });
    const draft = readContact(byField);
    if (typeof draft === "string") bad.push({ line, reason: draft });
    else {
      const known = drafts.get(draft.email);
      drafts.set(draft.email, known ? joined(known, draft) : draft);
    }
  }
  return { drafts: [...drafts.values()], bad };
}

const sampleRows = 8;
const badShown = 200;
type Mapping = readonly (ReadableField | null)[];

function readBounded(bytes: Uint8Array): ContactFile {
  const file = readContactFile(bytes);
  if (file.rows.length > mostContacts) throw new Refusal({ code: "too-many-rows", most: mostContacts });
  return file;
}

/** Rows that cannot be taken, as they are shown: the first of them, in words. */
export const shownBad = (bad: readonly BadContact[]) =>
  bad.slice(0, badShown).map((one) => ({ line: one.line, reason: faultWords(one.reason) }));

/** The contacts of a file by a mapping of its columns. */
export const contactsIn = (bytes: Uint8Array, mapping: Mapping) => draftsOf(readBounded(bytes), mapping);

/** What a file holds and how it would be read. @param chosen how its columns are to be read; null: as they name themselves */
export function previewOf(bytes: Uint8Array, chosen: Mapping | null): ImportPreview {
  const file = readBounded(bytes);
  const mapping = [...(chosen ?? file.mapping)];
  const { drafts, bad } = draftsOf(file, mapping);
  return {
    kind: file.kind,
    header: file.header,
    mapping,
    sample: file.rows.slice(0, sampleRows).map((row) => row.cells),
    rows: file.rows.length,
    good: drafts.length,
    bad: shownBad(bad),
  };
}
