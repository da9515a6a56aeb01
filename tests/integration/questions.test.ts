import { and, eq, sql } from "drizzle-orm";
import fc from "fast-check";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { CommandBody } from "@/contracts";
import { similarity } from "@/core/questions";
import type { DeskView, HouseView } from "@/core/room";
import { messages } from "@/server/db/schema";
import { loadFigures } from "@/server/room";
import { lineAt } from "@/server/room/chat/lines";
import { outboxMail } from "@/server/services/mailings/outbox";
import { sendDue } from "@/server/services/mailings/deliver";
import { openHour, type Hour } from "../support/hour";
import { joinAs, makeHub } from "../support/hub";
import { addTicket, makeWorld, seat, type MadeEvent, type World } from "../support/world";

let world: World;
let hour: Hour;
let event: MadeEvent;
let [producerId, ines, oskar, tamsin] = ["", "", "", ""];
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl", "Oskar Vell", "Tamsin Roe"]);
  ({ event, producerId } = hour);
  [ines, oskar, tamsin] = hour.guests as [string, string, string];
  await run({ type: "hour.raise-curtain" });
});
const run = (command: CommandBody, by?: string) => hour.run(command, by);
const ask = (by: string, text: string, isAnonymous = false) => {
  world.clock.advance(1000);
  return run({ type: "questions.ask", text, segmentId: null, isAnonymous }, by);
};
const vote = (by: string, questionId: string, isFor = true) =>
  hour.bring(by, { type: "questions.vote", questionId, isFor });
const turn = (value: Record<string, unknown>) =>
  run({ type: "hour.set-switch", set: { name: "questions", value }, seen: {} });
const votes = async () => (await loadFigures(world.context.db, event.occurrenceId, 0)).votes;
const file = () => hour.file("questions");
/** What somebody's screen shows when they come in now. */
async function screen<V>(ticketId: string, role: "attendee" | "producer"): Promise<{ view: V; me: unknown }> {
  const hub = makeHub(world);
  const end = await joinAs(world, hub, event, ticketId, role, { wantsDesk: role === "producer" });
  const view: Record<string, Record<string, unknown>> = {};
  await end.until(({ event: kind }) => kind === "personal");
  for (const one of end.heard)
    if (one.event === "snapshot")
      for (const [section, items] of Object.entries(one.data.view)) view[section] = { ...view[section], ...items };
  const me = end.heard.filter((one) => one.event === "personal").at(-1)!.data.me;
  end.leave();
  await hub.close();
  return { view: view as V, me };
}

describe("a question without a name", () => {
  it("is refused where it is not allowed, and told to nobody where it is: neither screens nor files", async () => {
    await expect(ask(ines, "Who pays?", true)).rejects.toMatchObject({ failure: { code: "switched-off" } });
    await turn({ anonymous: true });
    const id = await ask(ines, "Who pays?", true);
    const { view } = await screen<DeskView>(producerId, "producer");
    expect(view.questions[id]).toMatchObject({ text: "Who pays?", askerName: "", askerId: "", isAnonymous: true });
    expect(JSON.stringify(view.questions)).not.toContain(ines);
    expect((await file())[0]).toMatchObject({ name: "", email: "", text: "Who pays?" });
    // the record knows, so that an answer finds its way
    const { me } = await screen<HouseView>(ines, "attendee");
    expect(JSON.stringify(me)).toContain("Who pays?");
  });
});

describe("what others see", () => {
  it("waits for the desk where new ones are looked at first", async () => {
    await turn({ isHeld: true });
    const id = await ask(ines, "How high is the tide?");
    expect((await screen<HouseView>(oskar, "attendee")).view.questions).toEqual({});
    await run({ type: "questions.show", questionId: id });
    await expect(run({ type: "questions.show", questionId: id })).rejects.toMatchObject({
      failure: { code: "already-done" },
    });
    const { view } = await screen<HouseView>(oskar, "attendee");
    expect(view.questions[id]).toMatchObject({ text: "How high is the tide?", askerName: "" });
    await run({ type: "hour.set-switch", set: { name: "names", value: { on: true } }, seen: { on: false } });
    expect((await screen<HouseView>(oskar, "attendee")).view.questions[id]!.askerName).toBe("Ines Marl");
  });

  it("has comments where they are allowed; the desk takes one away", async () => {
    const questionId = await ask(ines, "How high is the tide?");
    const comment = { type: "questions.comment" as const, questionId, text: "At the sluice too?" };
    await expect(run(comment, oskar)).rejects.toMatchObject({ failure: { code: "switched-off" } });
    await turn({ comments: true });
    const commentId = await run(comment, oskar);
    const seen = async () => (await screen<HouseView>(tamsin, "attendee")).view.questions[questionId]!.comments;
    expect(await seen()).toMatchObject([{ id: commentId, text: "At the sluice too?", name: "" }]);
    await run({ type: "questions.remove-comment", questionId, commentId });
    expect(await seen()).toEqual([]);
  });

  it("can be voted for only where votes are on", async () => {
    const id = await ask(ines, "How high is the tide?");
    await turn({ votes: false });
    await expect(vote(oskar, id)).rejects.toMatchObject({ failure: { code: "switched-off" } });
  });
});

describe("two questions taken as one", () => {
  it("count everybody once who voted for either, and are two again when they are taken apart", async () => {
    const [first, second] = [await ask(ines, "How high is the tide?"), await ask(oskar, "How high is the tide now?")];
    const [una, bo] = [
      await addTicket(world, event, "attendee", "Una"),
      await addTicket(world, event, "attendee", "Bo"),
    ];
    for (const id of [una, bo]) await seat(world, event, id);
    await vote(tamsin, first);
    await vote(una, first);
    await vote(tamsin, second);
    await vote(bo, second);
    await run({ type: "questions.merge", questionId: second, intoId: first });
    expect([...(await votes())]).toEqual([[first, 3]]);
    // who voted for the one has voted; nobody votes for their own, in whichever words it stands
    expect(await vote(bo, first)).toEqual({});
    await expect(vote(oskar, first)).rejects.toMatchObject({ failure: { code: "not-found" } });
    const { view } = await screen<HouseView>(tamsin, "attendee");
    expect(Object.keys(view.questions)).toEqual([first]);
    expect((await file()).map((row) => [row["text"], row["votes"]])).toEqual([
      ["How high is the tide?", "3"],
      ["How high is the tide now?", "3"],
    ]);
    await expect(run({ type: "questions.merge", questionId: first, intoId: second })).rejects.toMatchObject({
      failure: { code: "already-done" },
    });
    await run({ type: "questions.part", questionId: second });
    expect(new Map(await votes())).toEqual(
      new Map([
        [first, 2],
        [second, 2],
      ]),
    );
  });

  it("withdraw one vote for both at once", async () => {
    const [first, second] = [await ask(ines, "Tide?"), await ask(oskar, "Tide now?")];
    await vote(tamsin, first);
    await vote(tamsin, second);
    await run({ type: "questions.merge", questionId: second, intoId: first });
    expect((await vote(tamsin, second, false)).figure).toEqual({ of: "votes", questionId: first, by: -1 });
    expect([...(await votes())]).toEqual([]);
  });

  it("bring the answer to everybody who asked", async () => {
    const [first, second] = [await ask(ines, "Tide?"), await ask(oskar, "Tide now?")];
    await run({ type: "questions.merge", questionId: second, intoId: first });
    await run({ type: "questions.answer", questionId: first, how: "to-all", text: "Two metres." });
    const { me } = await screen<HouseView>(oskar, "attendee");
    expect(me).toMatchObject({ own: { questions: { asked: [{ id: second, state: "done", answer: "Two metres." }] } } });
  });
});

describe("an answer to who asked", () => {
  it("is given to both of two who asked the same", async () => {
    const [first, second] = [await ask(ines, "Tide?"), await ask(oskar, "Tide now?")];
    await run({ type: "questions.merge", questionId: second, intoId: first });
    await run({ type: "questions.answer", questionId: first, how: "to-one", text: "Two metres." });
    for (const who of [ines, oskar])
      expect(JSON.stringify((await screen<HouseView>(who, "attendee")).me)).toContain("Two metres.");
    expect(JSON.stringify((await screen<HouseView>(tamsin, "attendee")).view)).not.toContain("Two metres.");
  });
});

describe("answers by mail", () => {
  it("go after the date, one mail a person with all their answers", async () => {
    const ids = [await ask(ines, "How high?"), await ask(ines, "And when?"), await ask(oskar, "Who counts?")];
    for (const questionId of ids) await run({ type: "questions.move", questionId, state: "later", segmentId: null });
    await run({ type: "questions.answer", questionId: ids[0]!, how: "to-one", text: "Two metres." });
    await run({ type: "questions.answer", questionId: ids[1]!, how: "to-one", text: "At nine." });
    const planned = () =>
      world.context.db
        .select()
        .from(messages)
        .where(and(eq(messages.occurrenceId, event.occurrenceId), eq(messages.kind, "answer")));
    expect(await planned()).toEqual([]);
    await run({ type: "hour.end" });
    expect(await planned()).toHaveLength(1);
    // written after the end: another person's is a mail of its own
    await run({ type: "questions.answer", questionId: ids[2]!, how: "to-one", text: "All of us." });
    world.clock.advance(11 * 60_000);
    await sendDue(world.context);
    const sent = await planned();
    const texts = sent.map(({ state, rendered }) => [state, rendered!.text] as const);
    expect(texts.map(([state]) => state)).toEqual(["sent", "sent"]);
    const own = texts.find(([, text]) => text.includes("How high?"))![1];
    expect(own).toContain("1. How high?\n2. And when?");
    expect(own).toContain("1. Two metres.\n2. At nine.");
    expect(own).not.toContain("Who counts?");
    // a further answer is a further mail, with that answer alone
    await run({ type: "questions.answer", questionId: ids[0]!, how: "to-one", text: "Two metres ten." });
    world.clock.advance(11 * 60_000);
    await sendDue(world.context);
    const last = (await planned())
      .map(({ rendered }) => rendered?.text ?? "")
      .find((text) => text.includes("Two metres ten"))!;
    expect(last).not.toContain("At nine.");
  });
});

describe("an answer to a question without a name", () => {
  it("reaches who asked, while the team reads neither it nor who asked anything in the attendance", async () => {
    await turn({ anonymous: true });
    const questionId = await ask(ines, "Who pays for this?", true);
    await run({ type: "questions.move", questionId, state: "later", segmentId: null });
    await run({ type: "questions.answer", questionId, how: "to-one", text: "Members do." });
    await run({ type: "hour.end" });
    world.clock.advance(11 * 60_000);
    world.sent.splice(0);
    await sendDue(world.context);
    expect(world.sent.find((mail) => mail.text.includes("Who pays for this?"))!.text).toContain("Members do.");
    const [mail] = await world.context.db
      .select()
      .from(messages)
      .where(and(eq(messages.occurrenceId, event.occurrenceId), eq(messages.kind, "answer")));
    const shown = await outboxMail(world.context, world.owner, mail!.id);
    expect(`${shown.subject} ${shown.text} ${shown.html}`).not.toMatch(/Who pays|Members do/);
    const attendance = await hour.file("attendance");
    expect(attendance.map((row) => row["questions"]).filter((count) => count !== "0")).toEqual([]);
  });
});

describe("likeness (pg_trgm)", () => {
  it("is the database's own figure for Latin, Arabic, Devanagari and digits, on 400 pairs", async () => {
    const words = [
      ...["tide", "Tides", "größe", "CAFÉ", "ñandú", "count", "counts"],
      ...["موجة", "الموج", "طائر", "طيور", "مَدّ"],
      ...["लहर", "लहरें", "पक्षी", "चिड़िया", "समुद्र"],
      ...["7", "17", "2026", "x2"],
    ];
    const text = fc.array(fc.constantFrom(...words), { minLength: 1, maxLength: 4 }).map((some) => some.join(" "));
    for (const [a, b] of fc.sample(fc.tuple(text, text), { numRuns: 400, seed: 12 })) {
      const { rows } = await world.context.db.execute(sql`select similarity(${a}, ${b}) as s`);
      expect([a, b, similarity(a, b)]).toEqual([a, b, Math.fround(Number(rows[0]!["s"]))]);
    }
  });
});

describe("how somebody is called in the room", () => {
  it("changes by themselves where that is allowed, by the desk always; files keep the registered name", async () => {
    await run({ type: "floor.rename-self", name: "Ines from the dike" }, ines);
    await run({ type: "hour.set-switch", set: { name: "rename", value: { on: false } }, seen: { on: true } });
    await expect(run({ type: "floor.rename-self", name: "Ha" }, ines)).rejects.toMatchObject({
      failure: { code: "switched-off" },
    });
    await run({ type: "floor.rename", ticketId: oskar, name: "Oskar V." });
    await ask(ines, "Who?");
    await hour.bring(ines, { type: "chat.say", to: "all", withId: null, text: "Hello" });
    const { rows: said } = await world.context.db.execute(sql`select room_id, topic, line_id from chat_lines`);
    const line = said[0] as { room_id: string; topic: string; line_id: string };
    const [shown] = await lineAt(world.context.db, line.room_id, line.topic, line.line_id);
    expect(shown!.row).toMatchObject({ name: "Ines from the dike" });
    const { view } = await screen<DeskView>(producerId, "producer");
    expect(
      Object.values(view.audience)
        .map(({ name }) => name)
        .sort(),
    ).toEqual(["Ines from the dike", "Oskar V.", "Tamsin Roe"]);
    expect((await file())[0]!["name"]).toBe("Ines Marl");
  });
});
