import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { callBacks, events } from "@/server/db/schema";
import type { Context } from "@/server/services/ground/context";
import { askCallBack, forgetCallBacks, ringingAt } from "@/server/services/hour/call-back";
import { answerCall } from "@/server/services/hour/phone-line";
import { SignBook } from "@/server/services/hour/presence";
import { holderById } from "@/server/services/way-in/tickets";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let ticketId: string;
// kept for fiction (Ofcom, numbers for drama use)
const number = "+44 20 7946 0188";
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
  event = await makeEvent(world, { soundBy: "both" });
  ticketId = await addTicket(world, event, "attendee", "Ines Marl");
});
const rung: { number: string; answer: string }[] = [];
const context = (): Context => ({
  ...world.context,
  environment: { ...world.context.environment, STAGE_CALL_PHONE_LINE: "stand-in" },
  dial: { ring: async (to: string, answer: string) => void rung.push({ number: to, answer }) },
});
const ports = () => ({ context: context(), roomCache: world.cache, signs: new SignBook(world.context) });
const ask = async (to: unknown, of = context()) => askCallBack(of, await holderById(world.context, ticketId), to);
const pickUp = (answer: string) => answerCall(ports(), { answer }, "line");

describe("whoever asks to be called", () => {
  it("is rung at that number, as it is dialled from anywhere, and is in the room by picking up: once", async () => {
    await ask("0044 (20) 7946-0188");
    expect(rung.at(-1)!.number).toBe("+442079460188");
    expect(await ringingAt(world.context, world.organisationId, number)).toBe(rung.at(-1)!.answer);
    const { state } = await pickUp(rung.at(-1)!.answer);
    expect(state).toMatchObject({ name: "Ines Marl", place: "foyer" });
    await expect(pickUp(rung.at(-1)!.answer)).rejects.toMatchObject({ failure: { code: "not-found" } });
    // the number is kept no longer than it rings
    expect(await world.context.db.$count(callBacks)).toBe(0);
  });
  it("is one phone at a time, and no longer than two minutes", async () => {
    await ask(number);
    await ask("+44 20 7946 0199");
    expect(await ringingAt(world.context, world.organisationId, number)).toBeNull();
    const { answer } = rung.at(-1)!;
    world.clock.advance(120_000);
    await expect(pickUp(answer)).rejects.toMatchObject({ failure: { code: "not-found" } });
    world.clock.advance(1);
    await forgetCallBacks(world.context);
    expect(await world.context.db.$count(callBacks)).toBe(0);
  });
  it("is told of a number that is none, of a line that does not answer, and of too many tries; nothing stays", async () => {
    await expect(ask("12345")).rejects.toMatchObject({
      failure: { code: "invalid-input", issues: [{ path: "number", code: "not-a-phone-number" }] },
    });
    const silent = { ...context(), dial: { ring: () => Promise.reject(new Error("no line")) } };
    await expect(ask(number, silent)).rejects.toMatchObject({ failure: { code: "unavailable" } });
    expect(await world.context.db.$count(callBacks)).toBe(0);
    for (let i = 0; i < 3; i += 1) await ask(`+44 20 7946 017${i}`);
    await expect(ask(number)).rejects.toMatchObject({ failure: { code: "too-many-tries" } });
  });
  it("is nobody where sound comes by the computer alone, or this house's line calls nobody", async () => {
    await expect(
      ask(number, { ...context(), environment: { ...world.context.environment, STAGE_CALL_PHONE_LINE: "signed" } }),
    ).rejects.toThrow();
    await world.context.db.update(events).set({ soundBy: "computer" }).where(eq(events.id, event.eventId));
    await expect(ask(number)).rejects.toMatchObject({ failure: { code: "not-found" } });
  });
});
