import { randomUUID } from "node:crypto";
import { parse } from "csv-parse/sync";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { surveyOpenDays } from "@/core/survey";
import { dayMs } from "@/core/time";
import {
  mailings,
  occurrences,
  people,
  recordings,
  surveyAnswers,
  surveyReplies,
  tickets,
  viewers,
} from "@/server/db/schema";
import { dateFile } from "@/server/services/afterwards/exports";
import { answerSurvey, freshSurvey, saveSurvey, surveyPage, surveyResults } from "@/server/services/afterwards/survey";
import { remindOfSurvey } from "@/server/services/afterwards/survey-asked";
import { holderOf, tokenOf, type Holder } from "@/server/services/way-in/tickets";
import { forged } from "../support/forged";
import { held } from "../support/held";
import { addTicket, makeEvent, makeWorld, startOfTime, stayed, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const which = {
  id: "which",
  kind: "choice" as const,
  label: "Which part?",
  isRequired: false,
  options: ["Tides", "Rings"],
};
const asked = (isAnonymous: boolean) => ({
  ...freshSurvey,
  isAnonymous,
  questions: [...freshSurvey.questions, which],
});

async function evening(people: number, isAnonymous: boolean): Promise<MadeEvent & { holders: Holder[] }> {
  const event = await makeEvent(world);
  await saveSurvey(world.context, world.owner, event.eventId, 0, asked(isAnonymous));
  const { endedAt } = await held(world, event.occurrenceId);
  world.clock.set(endedAt + 60_000);
  const holders: Holder[] = [];
  for (let i = 0; i < people; i += 1) {
    const id = await addTicket(world, event, "attendee", `Person ${i}`);
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, id));
    holders.push(await holderOf(world.context, tokenOf(world.context, ticket!)));
  }
  return { ...event, holders };
}
const results = (event: MadeEvent, by: string | null = null) =>
  surveyResults(world.context, world.owner, event.eventId, event.occurrenceId, by);
const refusal = (act: Promise<unknown>): Promise<unknown> =>
  act.then(
    () => "done",
    (error: { failure?: { code: string } }) => error.failure?.code,
  );
const file = async (event: MadeEvent) =>
  parse(await dateFile(world.context, world.owner, event.eventId, event.occurrenceId, "survey"), {
    bom: true,
    columns: true,
  }) as Record<string, string>[];

describe("a reminder of a survey", () => {
  const remind = (event: MadeEvent) => remindOfSurvey(world.context, world.owner, event.eventId, event.occurrenceId);

  it("goes to whoever was asked and has not answered, and to nobody whose mail came back or who wants none", async () => {
    const event = await evening(5, false);
    const [came, watched, answered, failed, left] = event.holders as [Holder, Holder, Holder, Holder, Holder];
    const { occurrence } = came;
    const inside = { fromAt: occurrence.startAt, toAt: occurrence.startAt + 60_000 };
    for (const { ticket } of [came, failed, left]) await stayed(world, occurrence.id, ticket.id, inside);
    const { db, clock } = world.context;
    await db.update(people).set({ addressFailedAt: clock.now() }).where(eq(people.id, failed.person.id));
    await db.update(people).set({ unsubscribedAt: clock.now() }).where(eq(people.id, left.person.id));
    const recordingId = randomUUID();
    const file = {
      slug: recordingId,
      title: "Tides",
      fileName: "tides.media",
      mediaType: "video/mp4" as const,
      sizeBytes: 1,
    };
    const { organisationId } = world;
    await db.insert(recordings).values({
      ...{ id: recordingId, organisationId, occurrenceId: occurrence.id, ...file },
      ...{ durationSeconds: 60, uploadedAt: clock.now() },
    });
    await db.insert(viewers).values({
      id: randomUUID(),
      organisationId,
      recordingId,
      ticketId: watched.ticket.id,
      firstAt: clock.now(),
      lastAt: clock.now(),
    });
    await answerSurvey(world.context, answered, null, { overall: 4 });
    expect(await results(event)).toMatchObject({ answered: 1, asked: 5, silent: 2 });
    const { id } = await remind(event);
    const [mailing] = await db.select().from(mailings).where(eq(mailings.id, id));
    expect(mailing!.audience.personIds.toSorted()).toEqual([came.person.id, watched.person.id].sort());
    expect(JSON.stringify(mailing!.doc)).toContain("survey_link");
  });

  it("is refused of an anonymous survey, where nobody is to be told apart, and where all have answered", async () => {
    const nameless = await evening(2, true);
    expect(await results(nameless)).toMatchObject({ silent: null });
    expect(await refusal(remind(nameless))).toBe("survey-closed");
    const event = await evening(1, false);
    await answerSurvey(world.context, event.holders[0]!, null, { overall: 5 });
    expect(await refusal(remind(event))).toBe("invalid-input");
  });
});

describe("an anonymous survey (rule 30)", () => {
  it("joins no answer to a person: who answered and what was answered stand apart, without a time", async () => {
    const event = await evening(1, true);
    const [holder] = event.holders;
    const key = await answerSurvey(world.context, holder!, null, { overall: 4, words: "Slower please" });
    const [row] = await world.context.db
      .select()
      .from(surveyAnswers)
      .where(eq(surveyAnswers.occurrenceId, event.occurrenceId));
    const [reply] = await world.context.db
      .select()
      .from(surveyReplies)
      .where(eq(surveyReplies.occurrenceId, event.occurrenceId));
    expect([row!.ticketId, row!.at]).toEqual([null, null]);
    expect(Object.keys(reply!).toSorted()).toEqual(["occurrenceId", "organisationId", "ticketId"]);
    expect(JSON.stringify(row)).not.toContain(key!);
  });

  it("is changed in the browser that gave it alone", async () => {
    const event = await evening(1, true);
    const [holder] = event.holders;
    const key = await answerSurvey(world.context, holder!, null, { overall: 4 });
    expect(await refusal(answerSurvey(world.context, holder!, null, { overall: 1 }))).toBe("answered-elsewhere");
    expect(await refusal(answerSurvey(world.context, holder!, "another", { overall: 1 }))).toBe("answered-elsewhere");
    expect(await surveyPage(world.context, holder!, null)).toEqual({ state: "elsewhere" });
    await answerSurvey(world.context, holder!, key, { overall: 2 });
    expect(await surveyPage(world.context, holder!, key)).toMatchObject({ state: "open", answers: { overall: 2 } });
    expect((await results(event)).answered).toBe(1);
  });

  it("shows nothing of fewer than five, and cuts in groups of five at least", async () => {
    const event = await evening(7, true);
    for (const holder of event.holders.slice(0, 4))
      await answerSurvey(world.context, holder, null, { overall: 5, which: "Tides" });
    expect(await results(event)).toMatchObject({ answered: 4, results: null });
    expect(await file(event)).toEqual([]);
    await answerSurvey(world.context, event.holders[4]!, null, { overall: 5, which: "Tides" });
    await answerSurvey(world.context, event.holders[5]!, null, { overall: 1, which: "Rings" });
    const found = await results(event, "which");
    expect(found.results![0]!.figures!.mean).toBeCloseTo(26 / 6, 10);
    expect(found.groups.map(({ label, n }) => [label, n])).toEqual([["Tides", 6]]);
    const rows = await file(event);
    expect(rows.every((row) => row["name"] === "" && row["email"] === "" && row["at"] === "")).toBe(true);
    expect(rows.filter((row) => row["question"] === "Which part?").map((row) => row["answer"])).toEqual([
      "Rings",
      ...Array<string>(5).fill("Tides"),
    ]);
  });
});

describe("a named survey", () => {
  it("stands with names in the file, and is changed by its link from any browser", async () => {
    const event = await evening(2, false);
    await answerSurvey(world.context, event.holders[0]!, null, { overall: 4 });
    await answerSurvey(world.context, event.holders[0]!, null, { overall: 3 });
    expect(await file(event)).toMatchObject([{ name: "Person 0", answer: "3", question: "How was it on the whole?" }]);
    expect((await results(event)).answered).toBe(1);
  });
});

describe("a survey refuses", () => {
  it("what was not offered or is missing, and keeps nothing of it", async () => {
    const event = await evening(1, true);
    const [holder] = event.holders;
    for (const answers of [{}, { overall: 9 }, { overall: 3, which: "Otters" }])
      expect(await refusal(answerSurvey(world.context, holder!, null, answers))).toBe("invalid-input");
    expect(await world.context.db.$count(surveyReplies, eq(surveyReplies.occurrenceId, event.occurrenceId))).toBe(0);
  });
  it("answers once its days are over, forged links, and a change of names once somebody answered", async () => {
    const event = await evening(1, true);
    const [holder] = event.holders;
    await answerSurvey(world.context, holder!, null, { overall: 3 });
    expect(await refusal(saveSurvey(world.context, world.owner, event.eventId, 1, asked(false)))).toBe("already-done");
    expect(await refusal(saveSurvey(world.context, world.owner, event.eventId, 0, asked(true)))).toBe(
      "edited-meanwhile",
    );
    const [date] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId));
    world.clock.set(date!.endedAt! + surveyOpenDays * dayMs);
    expect(await refusal(answerSurvey(world.context, holder!, null, { overall: 1 }))).toBe("survey-closed");
    expect(await surveyPage(world.context, holder!, null)).toEqual({ state: "closed" });
    world.clock.set(startOfTime);
    const link = tokenOf(world.context, holder!.ticket);
    expect(await refusal(holderOf(world.context, forged(link)))).toBe("not-found");
  });
});
