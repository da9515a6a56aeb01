import { and, eq, sql } from "drizzle-orm";
import { timingSafeEqual } from "node:crypto";
import type { Db } from "../../db/client";
import { events, organisations, recordings } from "../../db/schema";
import { currentDate } from "@/core/dates";
import { isOver } from "@/core/people";
import { Refusal } from "@/core/shared";
import { notFound, oneOf, type Context } from "../ground/context";
import { type EventRow } from "../planning/events";
import { datesOf, type OccurrenceRow } from "../planning/dates/load";
import { doorOf, passFor, type Pass } from "./door-rule";
import { filesOf, type VisitorFile } from "./front/files";
import { stageCards, type StageCard } from "./front/look";
import { agendaOf, type AgendaSegment } from "./front/agenda";
import { partsOf, type PartRow } from "../planning/run-sheets";
import { cleanHtml, plainText } from "../ground/sanitise";
import { countTries } from "../ground/tries";
import { placesTaken } from "../planning/places";
import { isListed } from "./listed-recordings";

export type Organisation = typeof organisations.$inferSelect;

/** The organisation that a host name serves: its own, else the default one. */
export async function organisationFor(db: Db, host: string): Promise<Organisation> {
  const rows = await db.select().from(organisations);
  return oneOf(
    [rows.find((row) => row.host === host) ?? rows.find((row) => row.host === null)].filter((row) => row !== undefined),
    "organisation",
  );
}

const shownDates = 60;

/** What the public page shows of an event. */
export interface FrontDoor {
  readonly event: EventRow;
  /** null: a room without fixed time that is not open */
  readonly occurrence: OccurrenceRow | null;
  /** the coming dates of an event that has several, soonest first */
  readonly dates: readonly OccurrenceRow[];
  readonly organisation: Organisation;
  readonly descriptionHtml: string;
  readonly descriptionText: string;
  readonly stage: readonly StageCard[];
  readonly files: readonly VisitorFile[];
  readonly agenda: readonly AgendaSegment[];
  readonly parts: readonly PartRow[];
  /** null: no limit; 0: newcomers go to the waiting list */
  readonly placesLeft: number | null;
  readonly recordingSlug: string | null;
}

export async function eventBySlug(context: Context, organisation: Organisation, slug: string): Promise<EventRow> {
  return oneOf(
    await context.db
      .select()
      .from(events)
      .where(and(eq(events.organisationId, organisation.id), eq(events.slug, slug))),
    "event",
  );
}

export type FrontDoorAnswer = { isLocked: true; organisation: Organisation } | { isLocked: false; door: FrontDoor };

/** The event behind a public page and its date, without all that the page shows: what a registration needs. */
export type DoorStep = Pick<FrontDoor, "event" | "occurrence" | "organisation">;

/** @returns null for a private event whose code was not given: nothing at all is told of it */
export async function doorStep(
  context: Context,
  organisation: Organisation,
  slug: string,
  pass: Pass,
  dateId: string | null = null,
): Promise<(DoorStep & { readonly all: readonly OccurrenceRow[] }) | null> {
  const event = await eventBySlug(context, organisation, slug);
  const door = doorOf(context, event, pass);
  if (door === "absent") throw notFound("event");
  if (door === "locked") return null;
  const all = await datesOf(context.db, event.id);
  const chosen = dateId
    ? oneOf(
        all.filter((date) => date.id === dateId),
        "date",
      )
    : (currentDate(all, context.clock.now()) ?? null);
  // a standing room between two openings is closed, not over
  const occurrence = event.shape === "standing" && chosen && isOver(chosen.phase) ? null : chosen;
  return { event, occurrence, organisation, all };
}

/** The public page of an event. Of a private one nothing at all is told before its code is given. */
export async function frontDoor(
  context: Context,
  organisation: Organisation,
  slug: string,
  pass: Pass,
  dateId: string | null = null,
): Promise<FrontDoorAnswer> {
  const step = await doorStep(context, organisation, slug, pass, dateId);
  if (!step) return { isLocked: true, organisation };
  const { event, occurrence, all } = step;
  const { db } = context;
  const now = context.clock.now();
  const dates = all.filter((date) => date.endAt > now && date.phase !== "cancelled" && date.phase !== "ended");
  const [stage, files, agenda, sideParts, registered, recording] = await Promise.all([
    stageCards(context, event.id),
    filesOf(context, event.id),
    occurrence && event.agendaShown ? agendaOf(db, occurrence) : [],
    occurrence ? partsOf(db, occurrence.id) : [],
    event.registrationLimit === null || !occurrence ? null : placesTaken(db, occurrence.id),
    db
      .select({ slug: recordings.slug })
      .from(recordings)
      .where(and(occurrence ? eq(recordings.occurrenceId, occurrence.id) : sql`false`, isListed(now)))
      .limit(1),
  ]);
  return {
    isLocked: false,
    door: {
      event,
      occurrence,
      dates: event.shape === "series" ? dates.slice(0, shownDates) : [],
      organisation,
      descriptionHtml: cleanHtml(event.descriptionHtml),
      descriptionText: plainText(event.descriptionHtml).slice(0, 300),
      stage,
      files,
      agenda: event.agendaShown ? agenda : [],
      parts: sideParts,
      placesLeft: event.registrationLimit === null ? null : Math.max(0, event.registrationLimit - (registered ?? 0)),
      recordingSlug: recording[0]?.slug ?? null,
    },
  };
}

const sameText = (a: string, b: string): boolean => {
  const [left, right] = [Buffer.from(a), Buffer.from(b)];
  return left.length === right.length && timingSafeEqual(left, right);
};

/** Tries an access code; tries are limited by event and by the visitor's network address. */
export async function tryAccessCode(
  context: Context,
  organisation: Organisation,
  slug: string,
  code: string,
  remote: string,
): Promise<string | null> {
  const event = await eventBySlug(context, organisation, slug);
  if (doorOf(context, event, { cookie: null, isInvited: false }) === "absent") throw notFound("event");
  await countTries(context, [
    ["access-code", `${event.id}|${remote}`],
    ["code-of-target", event.id],
  ]);
  if (!event.isPrivate || !event.accessCodeSealed) return passFor(context, event);
  const wanted = context.secrets.unseal(event.accessCodeSealed);
  return wanted !== null && sameText(wanted, code.trim()) ? passFor(context, event) : null;
}

export function requireRegistrationOpen(occurrence: OccurrenceRow | null): asserts occurrence is OccurrenceRow {
  if (!occurrence || isOver(occurrence.phase))
    throw new Refusal({ code: "wrong-state", action: "register", state: occurrence?.phase ?? "not-open" });
}
