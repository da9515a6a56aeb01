import { parse } from "csv-parse/sync";

import { roles, type Role } from "@/core/people";
import { Refusal, type FileFault } from "@/core/shared";
import { digest } from "../../platform/secrets";
import { connections } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { type Context } from "../ground/context";
import { personByEmail } from "../ground/people-records";
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
  return context.db.transaction(async (tx) => {
    let added = 0;
    const personIds = new Map<string, string>();
    for (const one of good) {
      if (one.email && !personIds.has(one.email)) {
        personIds.set(
          one.email,
          (await personByEmail(context, tx, organisationId, { name: one.name, email: one.email })).id,
        );
      }
      const importKey = digest([one.person, one.email, one.device, one.inAt, one.outAt].join("|"));
      const row = {
        id: context.ids.id(),
        organisationId,
        occurrenceId,
        personId: personIds.get(one.email) ?? null,
        chainId: one.person || importKey,
      };
      const times = { inAt: one.inAt, lastSignAt: one.outAt, outAt: one.outAt, houseFromAt: one.inAt };
      const made = await tx
        .insert(connections)
        .values({ ...row, ...times, role: one.role, device: one.device.slice(0, 60), importKey })
        .onConflictDoNothing()
        .returning({ id: connections.id });
      added += made.length;
    }
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
