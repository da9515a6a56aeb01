import { roles, type Role } from "@/core/people";
import type { FileFault } from "@/core/shared";
import { readTable } from "../ground/read-table";
import { textOf } from "../ground/text-of";

export const entriesHeader = ["person", "name", "email", "role", "device", "in", "out"] as const;
export type EntryField = (typeof entriesHeader)[number];
/** Which column holds what; null: left out. */
export type EntryMapping = readonly (EntryField | null)[];

export interface EntryLine {
  readonly line: number;
  readonly person: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly device: string;
  readonly inAt: number;
  readonly outAt: number;
}
export interface BadLine {
  readonly line: number;
  readonly reason: FileFault;
  readonly column: string;
}
export interface ReadEntries {
  readonly header: readonly string[];
  readonly mapping: EntryMapping;
  readonly sample: readonly (readonly string[])[];
  readonly good: readonly EntryLine[];
  readonly bad: readonly BadLine[];
}

const limitBytes = 20_000_000;
const mostRows = 200_000;
const sampleRows = 6;
/** Without these there is no interval; who it was may be nobody. */
export const neededFields: readonly EntryField[] = ["in", "out"];

/** ISO 8601 with an offset or Z; anything else is null: a local time would be a guess. */
function instantFrom(text: string): number | null {
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/.test(text)) return null;
  const at = Date.parse(text);
  return Number.isNaN(at) ? null : at;
}

function readLine(cell: (name: EntryField) => string, line: number): EntryLine | BadLine {
  const inAt = instantFrom(cell("in"));
  const outAt = instantFrom(cell("out"));
  if (inAt === null) return { line, reason: "bad-time", column: "in" };
  if (outAt === null) return { line, reason: "bad-time", column: "out" };
  if (outAt < inAt) return { line, reason: "out-before-in", column: "out" };
  const role = cell("role") || "attendee";
  if (!(roles as readonly string[]).includes(role)) return { line, reason: "unknown-role", column: "role" };
  return {
    line,
    // how a guest without an address is named in this product's own file
    person: cell("person").replace(/^guest:/, ""),
    name: cell("name"),
    email: cell("email").toLowerCase(),
    role: role as Role,
    device: cell("device") || "unknown",
    inAt,
    outAt,
  };
}

/** Columns as they name themselves. */
const guessed = (header: readonly string[]): EntryMapping =>
  header.map((name) => entriesHeader.find((field) => field === name.toLowerCase()) ?? null);

/**
 * Reads a file of entries: columns by name or by the mapping that was chosen, bad rows with their line and reason,
 * good rows kept.
 */
export function readEntriesFile(bytes: Uint8Array, chosen: EntryMapping | null = null): ReadEntries {
  const { header, rows } = readTable(textOf(bytes, limitBytes), mostRows);
  const mapping = chosen ?? guessed(header);
  // without them the reader has to say first which columns they are
  const isMapped = neededFields.every((field) => mapping.includes(field));
  const at = new Map(mapping.map((field, i) => [field, i] as const));
  const lines = !isMapped
    ? []
    : rows.map(({ cells, line }) => readLine((field) => (cells[at.get(field) ?? -1] ?? "").trim(), line));
  return {
    header,
    mapping,
    sample: rows.slice(0, sampleRows).map((row) => row.cells),
    good: lines.filter((one) => "inAt" in one),
    bad: lines.filter((one) => "reason" in one),
  };
}
