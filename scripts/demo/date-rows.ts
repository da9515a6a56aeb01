import { dayMs, minuteMs } from "../../src/core/time";
import { events, occurrences, rooms } from "../../src/server/db/schema";
import type { DemoParts } from "./after-dates";
import type { DemoEvent } from "./events";

/** The rows of an event with its one date and its room. */
export async function insertDate(
  { context, organisationId, now }: DemoParts & { readonly now: number },
  event: DemoEvent,
  date: {
    eventId: string;
    occurrenceId: string;
    slug: string;
    startAt: number;
    startLocal: string;
    durationMinutes: number;
  },
): Promise<void> {
  const { db, secrets } = context;
  const { eventId, occurrenceId, slug, startAt, startLocal, durationMinutes } = date;
  const common = { organisationId, eventId };
  await db.insert(events).values({
    id: eventId,
    organisationId,
    slug,
    uid: `${eventId}@stage-call.example.org`,
    title: event.title,
    descriptionHtml: event.description,
    isPrivate: event.isPrivate ?? false,
    accessCodeSealed: event.isPrivate ? secrets.seal("low-tide-7") : null,
    houseSize: event.houseSize,
    registrationLimit: event.registrationLimit ?? null,
    formFields:
      event.set === "training"
        ? [
            {
              id: "site",
              label: "Which site do you look after?",
              kind: "short" as const,
              isRequired: true,
              options: [],
            },
          ]
        : [],
    creditPoints: event.creditPoints ?? null,
    interpretationInto: [...(event.interpretationInto ?? [])],
    place: event.place ?? "",
    publishedAt: event.isDraft ? null : Math.min(now, startAt) - 30 * dayMs,
    createdAt: Math.min(now, startAt) - 40 * dayMs,
  });
  await db.insert(occurrences).values({
    id: occurrenceId,
    ...common,
    originalStartLocal: startLocal,
    startLocal,
    zone: event.zone,
    durationMinutes,
    startAt,
    endAt: startAt + durationMinutes * minuteMs,
  });
  await db.insert(rooms).values({ occurrenceId, organisationId });
}
