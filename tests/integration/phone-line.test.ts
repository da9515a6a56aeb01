import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import type { CommandBody } from "@/contracts";
import type { PhoneKey } from "@/core/room";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { standardRules } from "@/core/organisation";
import { loadFigures } from "@/server/room";
import { stays, events, organisations, tickets } from "@/server/db/schema";
import { sendDue } from "@/server/services/mailings/deliver";
import { answerCall, hearCall } from "@/server/services/hour/phone-line";
import { admitToHouse, SignBook } from "@/server/services/hour/presence";
import { addStagePerson } from "@/server/services/people/stage-people";
import { inviteStagePeople } from "@/server/services/mailings/stage-invitations";
import { executeWhole, roomOf } from "@/server/services/ground/room/commands";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
// +44 20 7946 0000–0999 is kept for fiction (Ofcom, numbers for drama use)
const number = "+44 20 7946 0123";

beforeAll(async () => {
  world = await makeWorld();
  await world.context.db
    .update(organisations)
    .set({ rules: { ...standardRules, phoneNumbers: [{ country: "United Kingdom", number }] } });
  event = await makeEvent(world, { soundBy: "both" });
});
afterAll(() => world.close());

const ports = () => ({ context: world.context, roomCache: world.cache, signs: new SignBook(world.context) });
async function numbersOf(ticketId: string) {
  const [row] = await world.context.db.select().from(events).where(eq(events.id, event.eventId));
  const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, ticketId));
  return {
    number,
    conferenceNumber: row!.conferenceNumber!,
    pin: world.context.secrets.pinFor(ticketId, ticket!.linkVersion),
  };
}
const figures = () => loadFigures(world.context.db, event.occurrenceId, world.clock.now() - 25_000);

describe("the phone line", () => {
  it("stands in the join details of a stage person's mail, with the PIN that opens", async () => {
    await addStagePerson(world.context, world.owner, event.eventId, {
      name: "Ilka Varn",
      email: "ilka@example.org",
      role: "panelist",
      duties: [],
      languages: null,
    });
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.role, "panelist"));
    await inviteStagePeople(world.context, world.owner, event.eventId, [ticket!.id]);
    await sendDue(world.context);
    const mail = world.sent.find((one) => one.to.address === "ilka@example.org")!;
    const { conferenceNumber, pin } = await numbersOf(ticket!.id);
    const inThrees = (digits: string) => `${digits.slice(0, 3)} ${digits.slice(3, 6)} ${digits.slice(6)}`;
    for (const words of [number, inThrees(conferenceNumber), inThrees(pin)]) {
      expect(mail.text).toContain(words);
      expect(mail.html).toContain(words);
    }
  });

  it("brings a caller backstage, hears them as a level, opens their microphone and lets them go", async () => {
    const ticketId = await addTicket(world, event, "panelist", "Caller");
    world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
    const { call, state } = await answerCall(ports(), await numbersOf(ticketId), "line-1");
    expect(state).toMatchObject({ place: "backstage", name: "Caller", isMicrophoneOpen: false });
    await hearCall(ports(), call, { type: "level", level: 55 });
    expect((await figures()).callers.get(ticketId)).toBe(55);
    expect((await figures()).present.get(ticketId)).toBe("stage");
    expect(await hearCall(ports(), call, { type: "key", key: "6" })).toMatchObject({ isMicrophoneOpen: true });
    expect((await roomOf(world.context.db, event.occurrenceId)).stage.people.get(ticketId)).toMatchObject({
      isMicrophoneOpen: true,
    });
    expect(await hearCall(ports(), call, { type: "hung-up" })).toMatchObject({ place: "over" });
    expect((await figures()).callers.size).toBe(0);
    // the same person once more, though backstage already
    expect((await answerCall(ports(), await numbersOf(ticketId), "line-1")).state).toMatchObject({
      place: "backstage",
    });
    const [line] = await world.context.db
      .select()
      .from(stays)
      .where(eq(stays.ticketId, ticketId))
      .orderBy(stays.fromAt)
      .limit(1);
    expect(line).toMatchObject({ device: "phone-line" });
    expect(line!.toAt).not.toBeNull();
  });

  it("leaves a caller of the audience in the foyer before the doors, and gives them no microphone", async () => {
    const ticketId = await addTicket(world, event, "attendee", "Listener");
    const { call, state } = await answerCall(ports(), await numbersOf(ticketId), "line-2");
    expect(state).toMatchObject({ place: "foyer", isMicrophoneOpen: null });
    expect(await hearCall(ports(), call, { type: "key", key: "6" })).toMatchObject({ isMicrophoneOpen: null });
  });

  it("answers every wrong pair of numbers alike, and no more than ten times", async () => {
    const right = await numbersOf(await addTicket(world, event, "attendee", "Guessed"));
    const wrong = [
      { ...right, pin: "123456789" },
      { ...right, conferenceNumber: "111111111" },
      { ...right, number: "+44 20 7946 0999" },
    ];
    for (const one of wrong)
      await expect(answerCall(ports(), one, "guesser")).rejects.toMatchObject({
        failure: { code: "not-found", what: "call" },
      });
    for (let i = 0; i < 9; i += 1) await answerCall(ports(), { ...right, pin: "222222222" }, "guesser").catch(() => {});
    await expect(answerCall(ports(), right, "guesser")).rejects.toMatchObject({ failure: { code: "too-many-tries" } });
    await expect(answerCall(ports(), { ...right, pin: "abc" }, "x")).rejects.toMatchObject({
      failure: { code: "invalid-input" },
    });
    await expect(
      hearCall(ports(), world.context.secrets.tokenFor(event.eventId, 0), { type: "hung-up" }),
    ).rejects.toMatchObject({ failure: { code: "not-found" } });
  });

  it("is closed before the foyer opens and after the link was withdrawn", async () => {
    const ticketId = await addTicket(world, event, "attendee", "Early");
    const right = await numbersOf(ticketId);
    world.clock.set(Date.parse("2026-11-26T12:00:00Z"));
    await expect(answerCall(ports(), right, "line-3")).rejects.toMatchObject({ failure: { code: "wrong-state" } });
    await world.context.db.update(tickets).set({ revokedAt: world.clock.now() }).where(eq(tickets.id, ticketId));
    await expect(answerCall(ports(), right, "line-3")).rejects.toMatchObject({ failure: { code: "not-found" } });
  });

  it("lets a caller of the audience raise a hand, take the floor, mute and give it back by keys", async () => {
    world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
    const ticketId = await addTicket(world, event, "attendee", "Hand by phone");
    const producerId = await addTicket(world, event, "producer", "At the desk");
    const who = {
      actorId: producerId,
      actor: { role: "producer" as const, duties: [] },
      occurrenceId: event.occurrenceId,
    };
    const run = (command: CommandBody) =>
      executeWhole(world.context, world.cache, who, { commandId: randomUUID(), command });
    await run({ type: "stage.enter" });
    await run({ type: "hour.open-doors" });
    const { call } = await answerCall(ports(), await numbersOf(ticketId), "line-4");
    await admitToHouse(world.context, event.occurrenceId);
    const press = (key: PhoneKey) => hearCall(ports(), call, { type: "key", key });
    const level = () => hearCall(ports(), call, { type: "level", level: 40 });
    expect((await level()).keys).toEqual({ "5": "raise-hand" });
    expect((await press("5")).keys).toEqual({ "5": "lower-hand" });
    expect((await roomOf(world.context.db, event.occurrenceId)).floor.hands.has(ticketId)).toBe(true);
    // a key that means nothing now does nothing
    expect((await press("9")).keys).toEqual({ "5": "lower-hand" });
    await run({ type: "floor.offer", ticketId, parts: ["sound"] });
    expect(await level()).toMatchObject({
      isMicrophoneOpen: false,
      keys: { "6": "open-microphone", "9": "give-back" },
    });
    expect(await press("6")).toMatchObject({ isMicrophoneOpen: true, keys: { "6": "close-microphone" } });
    expect(await press("6")).toMatchObject({ isMicrophoneOpen: false });
    expect((await press("9")).keys).toEqual({ "5": "raise-hand" });
    await run({ type: "floor.let-everyone-speak" });
    expect((await press("6")).isMicrophoneOpen).toBe(true);
    await run({ type: "floor.end-everyone" });
    expect(await level()).toMatchObject({ isMicrophoneOpen: null, keys: { "5": "raise-hand" } });
  });
});
