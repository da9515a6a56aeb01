import { and, eq, isNull } from "drizzle-orm";
import type { CrowdAct } from "../src/core/crowd";
import { answerPoll, oneAct } from "../src/stand-ins/crowd-acts";
import { demoWords } from "./demo/polls";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { events, occurrences, tickets } from "../src/server/db/schema";
import { makeContext } from "../src/server/worker";
import { makeChance } from "./demo/chance";
import { demoTitles } from "./demo/events";
import { chatTexts, questionTexts } from "./demo/words";

// The demo's live date, with simulated people in it who come, ask, vote and drop out. They use the
// real ticket links' cookies and the real commands.
const origin = process.env["STAGE_CALL_URL"]!;
const { context, close } = await makeContext(process.env);
const chance = makeChance(7);
const rows = await context.db
  .select({ ticket: tickets, occurrence: occurrences })
  .from(tickets)
  .innerJoin(occurrences, eq(occurrences.eventId, tickets.eventId))
  .innerJoin(events, eq(events.id, tickets.eventId))
  .where(and(isNull(tickets.revokedAt), eq(tickets.status, "registered"), eq(events.title, demoTitles.live)));
const date = rows[0]?.occurrence;
const member = (row: (typeof rows)[number]) => ({
  ticketId: row.ticket.id,
  token: context.secrets.tokenFor(row.ticket.id, row.ticket.linkVersion),
  occurrenceId: row.occurrence.id,
});
await close();
if (!date || date.phase === "ended") process.exit(0);

const stage = rows.filter((row) => row.ticket.role === "panelist" || row.ticket.role === "producer");
const attendees = rows.filter((row) => row.ticket.role === "attendee").slice(0, 68);
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

const producer = new SimulatedGuest(origin, member(stage.find((row) => row.ticket.role === "producer")!));
const panelists = stage
  .filter((row) => row.ticket.role === "panelist")
  .map((row) => new SimulatedGuest(origin, member(row)));
await producer.come();
await producer.send({ type: "stage.enter" });
for (const panelist of panelists) {
  await panelist.come();
  await panelist.send({ type: "stage.enter" });
}
for (const panelist of panelists.slice(0, 2))
  await producer.send({ type: "stage.move", ticketId: panelist.member.ticketId, place: "stage" });
await panelists[0]?.send({ type: "stage.set-microphone", isOpen: true });
if (panelists[2]) await producer.send({ type: "stage.move", ticketId: panelists[2].member.ticketId, place: "standby" });
await producer.send({ type: "hour.open-doors" });
await producer.send({ type: "hour.raise-curtain" });
await producer.send({ type: "cues.next", leavingSegmentId: null });
const first = producer.view["cue"]?.["it"]?.["currentSegmentId"] as string | null | undefined;
const guests: SimulatedGuest[] = [];
for (const row of attendees) {
  const guest = new SimulatedGuest(origin, member(row));
  await guest.come().catch(() => {});
  guests.push(guest);
  if (chance.next() < 0.4) await pause(60);
}
await pause(800);
const leaving = first ?? (producer.view["cue"]?.["it"]?.["currentSegmentId"] as string | undefined) ?? null;
await producer.send({ type: "cues.next", leavingSegmentId: leaving });

await producer.send({
  type: "chat.say",
  to: "talkback",
  withId: null,
  text: "Two minutes left for the welcome, then Oskar.",
});
await panelists[0]?.send({ type: "chat.say", to: "talkback", withId: null, text: "Ready when you are." });
await producer.send({
  type: "chat.set-entry-note",
  text: "Welcome. Write where you watch from; questions for the speakers go into Questions.",
});
for (const text of chatTexts.slice(0, 9)) {
  await chance.pick(guests).send({ type: "chat.say", to: "all", withId: null, text });
}

const texts = { questions: questionTexts, lines: chatTexts, words: demoWords };
const acts: readonly CrowdAct[] = ["line", "line", "line", "vote", "vote", "vote", "question", "signal", "hand"];

async function somethingHappens(): Promise<void> {
  const guest = chance.pick(guests);
  const roll = chance.next();
  if (roll > 0.93) {
    guest.leave();
    await pause(chance.between(3000, 40_000));
    return guest.come();
  }
  if (roll < 0.4 && (await answerPoll(guest, guest.view, chance, texts))) return;
  const hasEnough = Object.keys(guest.view["questions"] ?? {}).length >= 14;
  const act = chance.pick(acts);
  await oneAct(guest, guest.view, act === "question" && hasEnough ? "vote" : act, chance, texts);
}
// somebody has the floor, and some wait for it
const [speaker, ...waiting] = guests.slice(3, 7);
if (speaker) {
  await producer.send({ type: "floor.offer", ticketId: speaker.member.ticketId, parts: ["sound"] });
  await speaker.send({ type: "floor.accept" });
  await speaker.send({ type: "floor.set-microphone", isOpen: true });
}
for (const guest of waiting) await guest.send({ type: "floor.raise-hand" });
for (let i = 0; i < 40; i += 1) await somethingHappens().catch(() => {});
for (;;) {
  await pause(chance.between(1500, 5000));
  void somethingHappens().catch(() => {});
}
