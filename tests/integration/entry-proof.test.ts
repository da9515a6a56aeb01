import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { minuteMs } from "@/core/time";
import { people, tickets } from "@/server/db/schema";
import { askForProof, isProofOpen, isProven, needsProof, redeemProof } from "@/server/services/way-in/entry-proofs";
import { sendDue } from "@/server/services/mailings/deliver";
import { wayIn } from "@/server/services/hour/entry";
import { holderOfToken } from "@/server/services/hour/holders";
import { holderById, tokenOf } from "@/server/services/way-in/tickets";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
beforeAll(async () => {
  world = await makeWorld();
  event = await makeEvent(world, { provesAddress: true });
});
afterAll(() => world.close());

const holder = async (ticketId: string) => holderById(world.context, ticketId);
async function proofFromMail(ticketId: string): Promise<string> {
  const one = await holder(ticketId);
  await askForProof(world.context, one);
  await sendDue(world.context);
  const mail = world.sent.findLast((sent) => sent.to.address === one.person.email)!;
  return /proof=([\w-]+)/.exec(mail.text)![1]!;
}

describe("an event that lets people in by their address alone", () => {
  it("lets in the device that opened the one-time link, once, and no other", async () => {
    const ticketId = await addTicket(world, event, "attendee", "Sanna");
    const one = await holder(ticketId);
    const token = tokenOf(world.context, one.ticket);
    const seat = (proof: string | null) =>
      holderOfToken(world.context, { token, proof, ticketId, occurrenceId: event.occurrenceId });
    await expect(seat(null)).rejects.toMatchObject({ failure: { code: "not-found" } });
    const proof = await proofFromMail(ticketId);
    expect(await isProofOpen(world.context, one, proof)).toBe(true);
    await expect(seat(proof)).rejects.toMatchObject({ failure: { code: "not-found" } });
    const used = await Promise.allSettled([
      redeemProof(world.context, one, proof),
      redeemProof(world.context, one, proof),
    ]);
    expect(used.map((each) => each.status).sort()).toEqual(["fulfilled", "rejected"]);
    const shown = used.flatMap((each) => (each.status === "fulfilled" ? [each.value] : []))[0]!;
    expect(await seat(shown)).toMatchObject({ actorId: ticketId });
    // the link that was used opens nothing again, as a cookie neither, nor does what somebody makes of it
    expect(shown).not.toContain(proof);
    for (const other of [proof, `${shown.split(".")[0]}.`, `${shown.slice(0, -1)}!`, shown.toUpperCase()])
      await expect(seat(other)).rejects.toMatchObject({ failure: { code: "not-found" } });
    expect(await isProofOpen(world.context, one, proof)).toBe(false);
  });

  it("refuses an old link, somebody else's, and a forged one", async () => {
    const [mine, theirs] = [
      await addTicket(world, event, "attendee", "One"),
      await addTicket(world, event, "attendee", "Two"),
    ];
    const proof = await proofFromMail(mine);
    expect(await isProofOpen(world.context, await holder(theirs), proof)).toBe(false);
    await expect(redeemProof(world.context, await holder(theirs), proof)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    expect(await isProven(world.context, mine, world.context.secrets.tokenFor(event.eventId, 0))).toBe(false);
    world.clock.advance(16 * minuteMs);
    await expect(redeemProof(world.context, await holder(mine), proof)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
  });

  it("asks nothing of stage people, and nothing where the event does not", async () => {
    const panelist = await addTicket(world, event, "panelist", "Ilka");
    expect(needsProof(await holder(panelist))).toBe(false);
    const open = await makeEvent(world);
    const guest = await addTicket(world, open, "attendee", "Guest");
    expect(needsProof(await holder(guest))).toBe(false);
    await expect(askForProof(world.context, await holder(guest))).rejects.toMatchObject({
      failure: { code: "wrong-state" },
    });
    await world.context.db
      .update(people)
      .set({ email: null })
      .where(eq(people.id, (await holder(guest)).person.id));
    expect(await world.context.db.$count(tickets, eq(tickets.id, guest))).toBe(1);
  });
});

describe("an event without a foyer", () => {
  it("lets the audience in when the doors open, not at an hour", async () => {
    const plain = await makeEvent(world, { foyerOn: false });
    const one = await holder(await addTicket(world, plain, "attendee", "Early"));
    const { startAt } = one.occurrence;
    expect(wayIn(one, startAt - 5 * minuteMs)).toMatchObject({ isOpen: false, isByDoors: true, opensAt: startAt });
    expect(wayIn(one, startAt + minuteMs)).toMatchObject({ isOpen: false });
    expect(wayIn({ ...one, occurrence: { ...one.occurrence, phase: "open" } }, startAt - minuteMs)).toMatchObject({
      isOpen: true,
    });
  });
});
