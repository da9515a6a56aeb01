import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { dayMs } from "@/core/time";
import { consents, events, messages, people, questions, recordings, tickets } from "@/server/db/schema";
import { eventAccess } from "@/server/services/ground/access";
import { deleteEvent, restoreEvent } from "@/server/services/planning/event-life";
import { datesOf } from "@/server/services/planning/dates/load";
import { addFile, fileName } from "@/server/services/way-in/front/files";
import { register } from "@/server/services/way-in/registration";
import { dateFile } from "@/server/services/afterwards/exports";
import { purge } from "@/server/services/outside/sweep";
import { makeEvent, makeWorld, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

describe("personal data goes when its time is over; figures stand", () => {
  it("records consent at registration, then erases name, address, texts and mails after the retention", async () => {
    const event = await makeEvent(world);
    const { event: row } = await eventAccess(world.context, world.owner, event.eventId);
    const occurrence = (await datesOf(world.context.db, event.eventId))[0]!;
    await register(
      world.context,
      { event: row, occurrence },
      { name: "Ines Marl", email: "ines@example.org", zone: null, hasConsented: true, source: null, answers: {} },
      "local",
    );
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.occurrenceId, event.occurrenceId));
    expect(await world.context.db.select().from(consents).where(eq(consents.ticketId, ticket!.id))).toMatchObject([
      { kind: "registration", wording: expect.stringMatching(/^registration-/) },
    ]);
    await world.context.db.insert(questions).values({
      id: ticket!.id,
      organisationId: world.organisationId,
      occurrenceId: event.occurrenceId,
      askerTicketId: ticket!.id,
      text: "My own words",
      askedAt: world.clock.now(),
    });
    await purge(world.context);
    expect((await world.context.db.select().from(people).where(eq(people.id, ticket!.personId)))[0]!.name).toBe(
      "Ines Marl",
    );
    world.clock.advance(740 * dayMs);
    await purge(world.context);
    await purge(world.context);
    expect((await world.context.db.select().from(people).where(eq(people.id, ticket!.personId)))[0]).toMatchObject({
      name: null,
      email: null,
      erasedAt: expect.any(Number),
    });
    expect((await world.context.db.select().from(questions).where(eq(questions.id, ticket!.id)))[0]!.text).toBe("");
    expect(
      (await world.context.db.select().from(messages).where(eq(messages.ticketId, ticket!.id))).every(
        (one) => one.rendered === null,
      ),
    ).toBe(true);
    const file = await dateFile(world.context, world.owner, event.eventId, event.occurrenceId, "attendance");
    expect(file).not.toContain("Ines");
    expect(file).toContain(ticket!.id);
  });

  it("keeps a deleted event a week, whole, and then no longer", async () => {
    const event = await makeEvent(world);
    const { id: file } = await addFile(
      world.context,
      world.owner,
      event.eventId,
      "map.pdf",
      new Blob(["a map"]).stream(),
      null,
    );
    const films = ["the-original.media", "what-stays.media"] as const;
    for (const name of films)
      await world.context.storage.write(name, new Blob(["a film"]).stream(), { maxBytes: 9, expectedBytes: 6 });
    await world.context.db.insert(recordings).values({
      ...{ id: randomUUID(), organisationId: world.organisationId, occurrenceId: event.occurrenceId, slug: "a-film" },
      ...{ title: "Tides", fileName: films[0], editedFile: films[1], mediaType: "video/mp4", sizeBytes: 6 },
      uploadedAt: world.clock.now(),
    });
    await deleteEvent(world.context, world.owner, event.eventId);
    await expect(eventAccess(world.context, world.owner, event.eventId)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    world.clock.advance(6.9 * dayMs);
    await purge(world.context);
    await restoreEvent(world.context, world.owner, event.eventId);
    expect(await world.context.storage.size(fileName(file))).toBe(5);
    for (const name of films) expect(await world.context.storage.size(name)).toBe(6);
    expect((await eventAccess(world.context, world.owner, event.eventId)).event.title).toBe("Tides and the saltmarsh");
    await deleteEvent(world.context, world.owner, event.eventId);
    world.clock.advance(7.1 * dayMs);
    await purge(world.context);
    expect(await world.context.db.select().from(events).where(eq(events.id, event.eventId))).toEqual([]);
    for (const name of [fileName(file), ...films]) await expect(world.context.storage.size(name)).rejects.toThrow();
    await expect(restoreEvent(world.context, world.owner, event.eventId)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
  });
});
