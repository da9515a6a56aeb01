import { entryMappingInput, type EntriesImported, type EntriesPreview } from "@/contracts";
import { digest } from "../../platform/secrets";
import type { Db } from "../../db/client";
import { stays } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, type Context } from "../ground/context";
import { dateReport } from "../ground/date-report";
import { personByEmail } from "../ground/people-records";
import { countAgain } from "../../db/queries/count-again";
import { mainRoomOf } from "../../db/queries/journal";
import { appendRows, roomOf } from "../ground/room/commands";
import { Refusal } from "@/core/shared";
import { neededFields, type BadLine, type EntryLine, type EntryMapping } from "./read-entries";

const shownBad = 50;
const someOf = (bad: readonly BadLine[]) => ({ bad: bad.slice(0, shownBad), badCount: bad.length });
const mappingOf = (raw: unknown): EntryMapping | null => (Array.isArray(raw) ? parse(entryMappingInput, raw) : null);

/** Files say seconds: what is the same to the second is the same entry. */
const keyOf = (person: string, device: string, inAt: number, outAt: number): string =>
  [person.toLowerCase(), device, Math.floor(inAt / 1000), Math.floor(outAt / 1000)].join("|");

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
 * Lines that the date does not have yet. A file that was exported from it names people by ticket or chain, one from
 * elsewhere by address: either way the same interval of the same device is no second entry.
 */
async function unknownOnes(
  context: Context,
  date: Awaited<ReturnType<typeof dateAccess>>,
  lines: readonly EntryLine[],
): Promise<readonly EntryLine[]> {
  const { entries, people } = await dateReport(context, date.event, date.occurrence);
  const known = new Set<string>();
  for (const { personKey, device, inAt, outAt, lastSignAt } of entries) {
    const until = Math.max(inAt, outAt ?? lastSignAt);
    known.add(keyOf(personKey.replace(/^guest:/, ""), device, inAt, until));
    const email = people.get(personKey)?.email;
    if (email) known.add(keyOf(email, device, inAt, until));
  }
  return lines.filter(
    (one) =>
      !known.has(keyOf(one.person, one.device, one.inAt, one.outAt)) &&
      !(one.email && known.has(keyOf(one.email, one.device, one.inAt, one.outAt))),
  );
}

/** How a file of entries would be read into a date, before anything is kept. @param rawMapping null: columns by their names */
export async function previewEntries(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  bytes: Uint8Array,
  rawMapping: unknown,
): Promise<EntriesPreview> {
  const date = await dateAccess(context, member, eventId, occurrenceId, "event.import-entries");
  const { good, bad, header, mapping, sample } = await context.sums.run("entries-file", [bytes, mappingOf(rawMapping)]);
  const fresh = await unknownOnes(context, date, good);
  return { header, mapping, sample, good: fresh.length, known: good.length - fresh.length, ...someOf(bad) };
}

/**
 * Reads a file of entries into a date. Rows known already add nothing, so the same file twice changes nothing. A
 * date that never had a show takes its planned hour as the show; its figures are counted anew.
 */
export async function importEntries(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  bytes: Uint8Array,
  rawMapping: unknown = null,
): Promise<EntriesImported> {
  const date = await dateAccess(context, member, eventId, occurrenceId, "event.import-entries");
  const { event, occurrence } = date;
  const { good, bad, mapping } = await context.sums.run("entries-file", [bytes, mappingOf(rawMapping)]);
  const missing = neededFields.find((field) => !mapping.includes(field));
  if (missing) throw new Refusal({ code: "bad-file", reason: "missing-column", column: missing });
  const { organisationId } = event;
  const fresh = await unknownOnes(context, date, good);
  const roomId = (await mainRoomOf(context.db, occurrenceId))!.id;
  return context.db.transaction(async (tx) => {
    const added = await keepEntries(context, tx, { organisationId, occurrenceId, roomId }, fresh);
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
    await countAgain(tx, occurrenceId);
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "entries.import",
      eventId,
      occurrenceId,
      facts: { added },
    });
    return { added, known: good.length - added, ...someOf(bad) };
  });
}
