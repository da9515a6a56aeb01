import { and, eq, isNull } from "drizzle-orm";
import type { PollQuestion } from "../src/core/polls";
import { choose } from "./demo/polls";
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

async function somethingHappens(): Promise<void> {
  const guest = chance.pick(guests);
  const roll = chance.next();
  const open = Object.entries(guest.view["polls"] ?? {}).find(([, poll]) => poll["state"] === "open");
  const asked = Object.keys(guest.view["questions"] ?? {});
  if (open && roll < 0.6) {
    const questions = open[1]["questions"] as PollQuestion[];
    const answers = Object.fromEntries(questions.map((question) => [question.id, [...choose(chance, question)]]));
    await guest.send({ type: "polls.vote", pollId: open[0], answers });
  } else if (roll > 0.75 && roll < 0.93)
    await guest.send({ type: "chat.say", to: "all", withId: null, text: chance.pick(chatTexts) });
  else if (roll > 0.66 && roll < 0.69) await guest.send({ type: "floor.raise-hand" });
  else if (roll > 0.69 && roll < 0.75)
    await guest.send({
      type: "signals.give",
      kind: chance.pick(["applause", "applause", "laughter", "yes", "yes", "no"]),
    });
  else if (roll < 0.18 && asked.length < 14)
    await guest.send({ type: "questions.ask", text: chance.pick(questionTexts), segmentId: null });
  else if (roll < 0.75 && asked.length > 0)
    await guest.send({ type: "questions.vote", questionId: chance.pick(asked), isFor: true });
  else if (roll > 0.93) {
    guest.leave();
    await pause(chance.between(3000, 40_000));
    await guest.come();
  }
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
