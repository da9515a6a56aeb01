import { Refusal, unwrap } from "@/core/shared";
import {
  dayMs,
  datesOfSeries,
  filledAheadDays,
  firstMatch,
  instantOf,
  minuteMs,
  wallTimeAt,
  type RecurrenceRule,
} from "@/core/time";
import type { Db } from "../../../db/client";
import { occurrences, rooms, series } from "../../../db/schema";
import type { Context } from "../../ground/context";
import type { OccurrenceRow, SeriesRow } from "./load";

export interface DateShape {
  readonly organisationId: string;
  readonly eventId: string;
  readonly zone: string;
  readonly durationMinutes: number;
  readonly callMinutes: number;
}

/** Instants of a wall time and a length: derived, and kept beside them for queries. */
export function instantsOf(
  startLocal: string,
  zone: string,
  durationMinutes: number,
): { startAt: number; endAt: number } {
  const startAt = instantOf({ local: startLocal, zone });
  return { startAt, endAt: startAt + durationMinutes * minuteMs };
}

/** Lays dates down, each with its room. @returns their ids in the order of the starts */
export async function layDates(
  context: Context,
  tx: Db,
  shape: DateShape,
  startsLocal: readonly string[],
  more: Partial<OccurrenceRow> = {},
): Promise<string[]> {
  const rows = startsLocal.map((startLocal) => ({
    id: context.ids.id(),
    ...shape,
    originalStartLocal: startLocal,
    startLocal,
    ...instantsOf(startLocal, shape.zone, shape.durationMinutes),
    ...more,
  }));
  const { organisationId } = shape;
  for (let i = 0; i < rows.length; i += 200) {
    const chunk = rows.slice(i, i + 200);
    await tx.insert(occurrences).values(chunk);
    await tx.insert(rooms).values(chunk.map((row) => ({ occurrenceId: row.id, organisationId })));
  }
  return rows.map((row) => row.id);
}

export const horizonOf = (now: number, zone: string): string => wallTimeAt(now + filledAheadDays * dayMs, zone).local;

/** A new series with all its dates. A start that the rule does not name moves to the first day that it does. */
export async function laySeries(
  context: Context,
  tx: Db,
  shape: DateShape,
  rule: RecurrenceRule,
  wantedStart: string,
): Promise<SeriesRow> {
  const startLocal = firstMatch(rule, wantedStart);
  if (!startLocal) throw new Refusal({ code: "no-dates" });
  const id = context.ids.id();
  const now = context.clock.now();
  const { organisationId, eventId, zone, durationMinutes } = shape;
  const dates = unwrap(datesOfSeries({ rule, startLocal, zone, exdates: [], rdates: [] }, horizonOf(now, zone)));
  const row = {
    id,
    organisationId,
    eventId,
    uid: `${id}@stage-call.example.org`,
    rule,
    startLocal,
    zone,
    durationMinutes,
    exdates: [],
    rdates: [],
    createdAt: now,
  };
  const [made] = await tx.insert(series).values(row).returning();
  await layDates(context, tx, shape, dates, { seriesId: id });
  return made!;
}
