import { parse } from "csv-parse/sync";

import { roles, type Role } from "@/core/people";
import { Refusal, type FileFault } from "@/core/shared";
import { digest } from "../../platform/secrets";
import type { Db } from "../../db/client";
import { stays } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { type Context } from "../ground/context";
import { personByEmail } from "../ground/people-records";
import { mainRoomOf } from "../../db/queries/journal";
import { appendRows, roomOf } from "../ground/room/commands";
import { delimiterOf, unguardCell } from "../ground/delimited";
import { entriesHeader } from "./exports";

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
  readonly good: readonly EntryLine[];
  readonly bad: readonly BadLine[];
}

const maxBytes = 20_000_000;
const refuse = (reason: FileFault, more: { line?: number; column?: string } = {}) =>
  new Refusal({ code: "bad-file", reason, ...more });

/** ISO 8601 with an offset or Z; anything else is null: a local time would be a guess. */
function instantFrom(text: string): number | null {
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:\d{2})$/.test(text)) return null;
  const at = Date.parse(text);
  return Number.isNaN(at) ? null : at;
}

function readLine(row: Record<string, string>, line: number): EntryLine | BadLine {
  const cell = (name: string) => unguardCell((row[name] ?? "").trim());
  const inAt = instantFrom(cell("in"));
  const outAt = instantFrom(cell("out"));
  if (inAt === null) return { line, reason: "bad-time", column: "in" };
  if (outAt === null) return { line, reason: "bad-time", column: "out" };
  if (outAt < inAt) return { line, reason: "out-before-in", column: "out" };
  const role = cell("role") || "attendee";
  if (!(roles as readonly string[]).includes(role)) return { line, reason: "unknown-role", column: "role" };
  const email = cell("email").toLowerCase();
  return {
    line,
    person: cell("person"),
    name: cell("name"),
    email,
    role: role as Role,
    device: cell("device") || "unknown",
    inAt,
    outAt,
  };
}

/** Reads an entries file: columns by name, bad rows with their line and reason, good rows kept. */
export function readEntriesFile(bytes: Uint8Array): ReadEntries {
  if (bytes.byteLength > maxBytes) throw new Refusal({ code: "file-too-large", limitBytes: maxBytes });
  let text: string;
  try {
    text = new TextDecoder("utf-8", { fatal: true }).decode(bytes);
  } catch {
    throw refuse("not-utf8");
  }
  const header = text.split(/\r?\n/, 1)[0] ?? "";
  if (header.trim() === "") throw refuse("empty");
  let records: { record: Record<string, string>; info: { lines: number } }[];
  try {
    records = parse(text, {
      bom: true,
      columns: (names: string[]) => names.map((name) => name.trim().toLowerCase()),
      delimiter: delimiterOf(header),
      info: true,
      skip_empty_lines: true,
      relax_column_count: true,
    }) as never;
  } catch (error) {
    throw refuse("broken-quotes", { line: (error as { lines?: number }).lines });
  }
  const names = header
    .replace(/^\uFEFF/, "")
    .split(delimiterOf(header))
    .map((name) => name.trim().replace(/^"|"$/g, "").toLowerCase());
  const missing = entriesHeader.find(
    (name) => name !== "device" && name !== "role" && name !== "name" && !names.includes(name),
  );
  if (missing) throw refuse("missing-column", { column: missing });
  if (records.length === 0) throw refuse("empty");
  const lines = records.map(({ record, info }) => readLine(record, info.lines));
  return { good: lines.filter((one) => "inAt" in one), bad: lines.filter((one) => "reason" in one) };
}

export interface Imported {
  readonly added: number;
  readonly known: number;
  readonly bad: readonly BadLine[];
}

interface Into {
  readonly organisationId: string;
  readonly occurrenceId: string;
  readonly roomId: string;
}

/** The people behind a file's addresses, made where there are none. */
async function peopleOf(context: Context, tx: Db, organisationId: string, lines: readonly EntryLine[]) {
  const ids = new Map<string, string>();
  for (const { email, name } of lines) {
    if (email && !ids.has(email))
      ids.set(email, (await personByEmail(context, tx, organisationId, { name, email })).id);
  }
  return ids;
}

/** @returns how many lines were new */
async function keepEntries(context: Context, tx: Db, into: Into, lines: readonly EntryLine[]): Promise<number> {
  const ids = await peopleOf(context, tx, into.organisationId, lines);
  let added = 0;
  for (let from = 0; from < lines.length; from += 500) {
    const rows = lines.slice(from, from + 500).map((one) => {
      const importKey = digest([one.person, one.email, one.device, one.inAt, one.outAt].join("|"));
      const id = context.ids.id();
      return {
        id,
        connectionId: id,
        ...into,
        place: "house" as const,
        personId: ids.get(one.email) ?? null,
        chainId: one.person || importKey,
        fromAt: one.inAt,
        lastSignAt: one.outAt,
        toAt: one.outAt,
        role: one.role,
        device: one.device.slice(0, 60),
        importKey,
      };
    });
    added += (await tx.insert(stays).values(rows).onConflictDoNothing().returning({ id: stays.id })).length;
  }
  return added;
}

/**
 * Reads an `entries.csv` into a date. Rows known already add nothing, so the same file twice changes
 * nothing. A date that never had a show takes its planned hour as the show.
 */
export async function importEntries(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  bytes: Uint8Array,
): Promise<Imported> {
  const { event, occurrence } = await dateAccess(context, member, eventId, occurrenceId, "event.import-entries");
  const { good, bad } = readEntriesFile(bytes);
  const { organisationId } = event;
  const roomId = (await mainRoomOf(context.db, occurrenceId))!.id;
  return context.db.transaction(async (tx) => {
    const added = await keepEntries(context, tx, { organisationId, occurrenceId, roomId }, good);
    const room = await roomOf(tx, occurrenceId);
    if (room.hour.curtainSpans.length === 0 && good.length > 0) {
      const { startAt: raisedAt, endAt: droppedAt } = occurrence;
      await appendRows(
        context,
        tx,
        occurrenceId,
        () => [{ type: "hour.show-imported", raisedAt, droppedAt }],
        member.userId,
      );
    }
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "entries.import",
      eventId,
      occurrenceId,
      facts: { added },
    });
    return { added, known: good.length - added, bad };
  });
}
