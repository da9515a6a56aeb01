import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { minuteMs } from "@/core/time";
import { auditLog, ballots, people, polls, questions, tickets } from "@/server/db/schema";
import { sendLetters } from "@/server/services/mailings/letters";
import { contactFile, personFile } from "@/server/services/people/contacts/person-file";
import { correctOwnDetails } from "@/server/services/way-in/own-details";
import { askForProof, redeemProof } from "@/server/services/way-in/entry-proofs";
import { askOwnFile, ownFileMinutes, ownFileOwner, takeOwnFile } from "@/server/services/way-in/own-file";
import { holderOf, tokenOf } from "@/server/services/way-in/tickets";
import { addMember, addTicket, makeEvent, makeWorld, startOfTime, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let ticketId: string;
let token: string;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  world.clock.set(startOfTime);
  event = await makeEvent(world, { provesAddress: true });
  ticketId = await addTicket(world, event, "attendee", "Ines Marl");
  const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, ticketId));
  token = tokenOf(world.context, ticket!);
  world.sent.splice(0);
});

const holder = () => holderOf(world.context, token);
const gone = { failure: { code: "not-found" } };

/** Asks at the ticket. @returns the token that the mail brought */
async function asked(): Promise<string> {
  await askOwnFile(world.context, await holder());
  await sendLetters(world.context);
  const { person } = await holder();
  const mail = world.sent.findLast((one) => one.to.address === person.email)!;
  return /\/own-data\/([\w-]+)/.exec(mail.text)![1]!;
}

describe("everything kept of somebody", () => {
  it("is given to whoever proves the address, once, and written down", async () => {
    const link = await asked();
    const { person } = await holder();
    expect(await ownFileOwner(world.context, link)).toMatchObject({ id: person.id, name: "Ines Marl" });
    // of two that press at once one gets it
    const both = await Promise.allSettled([takeOwnFile(world.context, link), takeOwnFile(world.context, link)]);
    expect(both.map((one) => one.status).sort()).toEqual(["fulfilled", "rejected"]);
    await expect(ownFileOwner(world.context, link)).rejects.toMatchObject(gone);
    const file = await personFile(world.context, person, "the person");
    expect(file).toMatchObject({
      format: "stage-call-person/1",
      person: { name: "Ines Marl", email: person.email },
      tickets: [{ role: "attendee", status: "registered" }],
      letters: [{ kind: "own-file", state: "sent" }],
    });
    const log = await world.context.db.select().from(auditLog).where(eq(auditLog.action, "ticket.own-file"));
    expect(log.map((row) => row.actorId)).toContain(person.id);
  });

  it("is not given by the ticket's own link, by an entry link, after an hour, or after the address has changed", async () => {
    await expect(ownFileOwner(world.context, token)).rejects.toMatchObject(gone);
    const late = await asked();
    // the room's own one-time link stays what it is
    await askForProof(world.context, await holder());
    await expect(redeemProof(world.context, await holder(), late)).rejects.toMatchObject(gone);
    world.clock.advance(ownFileMinutes * minuteMs);
    await expect(takeOwnFile(world.context, late)).rejects.toMatchObject(gone);
    const moved = await asked();
    await correctOwnDetails(world.context, await holder(), {
      name: "Ines Marl",
      email: `${randomUUID()}@example.org`,
    });
    await expect(ownFileOwner(world.context, moved)).rejects.toMatchObject(gone);
  });

  it("shows what was given without a name to its giver, and not to the team", async () => {
    const { person } = await holder();
    const { organisationId } = world;
    const { occurrenceId } = event;
    const of = { organisationId, occurrenceId };
    const ask = { ...of, askerTicketId: ticketId, askedAt: startOfTime };
    await world.context.db.insert(questions).values([
      { id: randomUUID(), ...ask, text: "With my name" },
      { id: randomUUID(), ...ask, text: "Without my name", isAnonymous: true },
    ]);
    const pollId = randomUUID();
    const poll = {
      id: "one",
      kind: "single",
      text: "Which bird?",
      options: [
        { id: "a", label: "Dunlin" },
        { id: "b", label: "Curlew" },
      ],
    };
    await world.context.db
      .insert(polls)
      .values({ id: pollId, ...of, position: 9, questions: [poll] as never, isAnonymous: true });
    await world.context.db
      .insert(ballots)
      .values({ pollId, ticketId, organisationId, questionId: "one", choice: ["b"], at: startOfTime });
    const own = await personFile(world.context, person, "the person");
    const teams = await contactFile(world.context, world.owner, person.id);
    expect(own["questions"]).toHaveLength(2);
    expect(own["answers"]).toMatchObject([{ question: "Which bird?", options: ["Curlew"], withoutName: true }]);
    expect(teams["questions"]).toMatchObject([{ text: "With my name" }]);
    expect(teams["answers"]).toEqual([]);
  });

  it("goes to the team by the right to export alone, and never across organisations", async () => {
    const { person } = await holder();
    const crew = await addMember(world.context, world.organisationId, "crew", "Only Crew");
    await expect(contactFile(world.context, crew, person.id)).rejects.toMatchObject({
      failure: { code: "not-allowed" },
    });
    await expect(contactFile(world.context, world.owner, randomUUID())).rejects.toMatchObject(gone);
    const elsewhere = { ...person, organisationId: randomUUID() };
    await expect(personFile(world.context, elsewhere, "the team")).rejects.toMatchObject(gone);
    await world.context.db.update(people).set({ erasedAt: startOfTime }).where(eq(people.id, person.id));
    await expect(contactFile(world.context, world.owner, person.id)).rejects.toMatchObject(gone);
  });
});
