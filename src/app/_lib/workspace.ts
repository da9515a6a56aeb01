import "server-only";
import type { SpineState } from "@/features/shared/workspace";
import { phaseWords } from "@/features/shared/role-words";
import { datesOf } from "@/server/services/planning/dates/load";
import { loadPlan, type LoadedPlan } from "@/server/services/planning/events";
import { readinessFor } from "@/server/services/overview/readiness/findings";
import { orNotFound, pageMember } from "./request";

export interface DateQuery {
  /** the date that the page is about, where an event has several */
  readonly date?: string;
}

/** What every page of an event's workspace begins with. */
export async function workspace(
  eventId: string,
  dateId: string | null = null,
): Promise<{ loaded: LoadedPlan; spine: SpineState } & Awaited<ReturnType<typeof pageMember>>> {
  const { context, member } = await pageMember();
  const loaded = await orNotFound(() => loadPlan(context, member, eventId, dateId));
  const { event, occurrence } = loaded;
  const findings = occurrence ? await readinessFor(context, event, occurrence) : [];
  const notes = {
    desk: occurrence ? phaseWords[occurrence.phase] : "not open",
    "front-door": event.publishedAt === null ? "closed" : "open",
    plan: occurrence ? `${occurrence.durationMinutes} min` : "no fixed time",
    people: "",
    mailings: "",
    "run-sheet": "",
    afterwards: "",
  };
  const date = occurrence && {
    id: occurrence.id,
    startAt: occurrence.startAt,
    zone: occurrence.zone,
    phase: occurrence.phase,
  };
  const all = event.shape === "one-date" ? [] : await datesOf(context.db, eventId);
  const dates = all
    .filter((one) => one.phase !== "cancelled")
    .map((one) => ({ id: one.id, startAt: one.startAt, zone: one.zone }));
  const spine = { eventId, title: event.title, date, dates, isNamed: dateId !== null, findings, notes };
  return { context, member, loaded, spine };
}
