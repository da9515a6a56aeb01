import { and, asc, eq, gt, lt } from "drizzle-orm";
import { showOf, type Correction } from "@/core/attendance";
import type { RoomState } from "@/core/room";
import { intersectionOf, unionOf, type IntervalSet } from "@/core/time";
import type { Db } from "../../db/client";
import { corrections, serverAway } from "../../db/schema";

/** Corrections that are kept of one date. */
export const mostCorrections = 2000;

export interface CorrectionRow {
  readonly id: string;
  readonly correction: Correction;
  readonly reason: string;
  readonly at: number;
  readonly undoneAt: number | null;
}

function correctionOf(row: typeof corrections.$inferSelect): Correction {
  if (row.kind === "merge") return { kind: "merge", personKey: row.personKey, intoKey: row.intoKey! };
  if (row.kind === "entry") return { kind: "entry", entryKey: row.entryKey!, inAt: row.inAt!, outAt: row.outAt! };
  return { kind: "test", personKey: row.personKey };
}

/** What was put right by hand after a date, in order; what was undone too. */
export async function correctionsOf(db: Db, occurrenceId: string): Promise<readonly CorrectionRow[]> {
  const rows = await db
    .select()
    .from(corrections)
    .where(eq(corrections.occurrenceId, occurrenceId))
    .orderBy(asc(corrections.at), asc(corrections.id))
    .limit(mostCorrections);
  return rows.map((row) => ({
    id: row.id,
    correction: correctionOf(row),
    reason: row.reason,
    at: row.at,
    undoneAt: row.undoneAt,
  }));
}

/** When the server itself was away while the curtain was up. An evening that was imported ran elsewhere. */
export async function awayDuring(db: Db, startAt: number, hour: RoomState["hour"], now: number): Promise<IntervalSet> {
  const show = showOf(hour.curtainSpans, now);
  if (show.length === 0 || hour.isImported) return [];
  const [from, to] = [Math.min(startAt, show[0]!.start), show.at(-1)!.end];
  const rows = await db
    .select()
    .from(serverAway)
    .where(and(lt(serverAway.fromAt, to), gt(serverAway.toAt, from)))
    .limit(1000);
  return intersectionOf(unionOf(rows.map((row) => ({ start: row.fromAt, end: row.toAt }))), show);
}
