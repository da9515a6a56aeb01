import { mkdtempSync, readdirSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { eq } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { dayMs } from "@/core/time";
import { auditLog, messages, organisations, questions, recordings } from "@/server/db/schema";
import { folderStorage } from "@/server/files/folder-storage";
import { askerOf, askOnDemand } from "@/server/services/afterwards/ask-on-demand";
import { binnedRecordings, deleteRecording, restoreRecording } from "@/server/services/afterwards/bin-recording";
import { library } from "@/server/services/afterwards/library";
import { publishRecording } from "@/server/services/afterwards/publish-recording";
import { recordingPicture, setRecordingPicture } from "@/server/services/afterwards/recording-picture";
import { recordingsOfDate, shownRecording, type Shown } from "@/server/services/afterwards/recordings";
import { purge } from "@/server/services/outside/sweep";
import { publicRecordings } from "@/server/services/way-in/front/public-lists";
import { codeOf } from "../support/code-of";
import { openHour, type Hour } from "../support/hour";
import { addTicket, makeEvent, makeWorld, type World } from "../support/world";

let world: World;
let hour: Hour;
let id: string;
let organisation: typeof organisations.$inferSelect;
const folder = mkdtempSync(join(tmpdir(), "bin-"));
beforeAll(async () => {
  const made = await makeWorld();
  world = { ...made, context: { ...made.context, storage: folderStorage(folder) } };
  const rows = await world.context.db.select().from(organisations).where(eq(organisations.id, world.organisationId));
  organisation = rows[0]!;
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl"]);
  await hour.run({ type: "hour.end" });
  id = world.context.ids.id();
  const bytes = new Blob([new Uint8Array(100)]).stream() as ReadableStream<Uint8Array>;
  await world.context.storage.write(`${id}.media`, bytes, { maxBytes: 1000, expectedBytes: 100 });
  await world.context.db.insert(recordings).values({
    ...{ id, organisationId: world.organisationId, occurrenceId: hour.event.occurrenceId, slug: id, title: "Tides" },
    ...{ fileName: `${id}.media`, mediaType: "video/mp4", sizeBytes: 100, uploadedAt: world.clock.now() },
  });
  const everyone = { from: null, until: null, audience: "everyone", tells: true };
  await publishRecording(world.context, world.owner, id, everyone);
});
const tokenOf = (ticketId: string) => world.context.secrets.tokenFor(ticketId, 1);
const shown = async () =>
  (await shownRecording(world.context, organisation, id, { proofOf: () => null, tokens: [] })) as Shown;
const ofDate = () => recordingsOfDate(world.context, world.owner, hour.event.eventId, hour.event.occurrenceId);
const files = () => readdirSync(folder).filter((name) => name.startsWith(id));
const remove = () => deleteRecording(world.context, world.owner, id);

describe("a recording that is deleted", () => {
  it("is seen by nobody and told to nobody, and comes back as it was within a week", async () => {
    const told = () => world.context.db.$count(messages, eq(messages.kind, "recording-ready"));
    expect(await told()).toBe(1);
    await remove();
    expect(await codeOf(shown())).toBe("not-found");
    expect([await ofDate(), await library(world.context, world.owner)]).toEqual([[], []]);
    expect((await publicRecordings(world.context, organisation)).filter(({ slug }) => slug === id)).toEqual([]);
    expect(await told()).toBe(0);
    expect(await codeOf(publishRecording(world.context, world.owner, id, {}))).toBe("not-found");
    expect(await codeOf(remove())).toBe("not-found");
    world.clock.advance(6 * dayMs);
    expect(await binnedRecordings(world.context, world.owner)).toEqual([
      { id, title: "Tides", goesAt: world.clock.now() + dayMs },
    ]);
    await restoreRecording(world.context, world.owner, id);
    expect((await shown()).isLocked).toBe(false);
    expect(await codeOf(restoreRecording(world.context, world.owner, id))).toBe("not-found");
    const acts = await world.context.db.select({ action: auditLog.action }).from(auditLog);
    expect(acts.map(({ action }) => action)).toEqual(expect.arrayContaining(["recording.delete", "recording.restore"]));
    await remove();
    await purge(world.context);
    world.clock.advance(8 * dayMs);
    await purge(world.context);
  });
  it("is gone with its file and its picture after that week, not a day before", async () => {
    const bytes = await sharp({ create: { width: 64, height: 36, channels: 3, background: "#0e5a5a" } })
      .png()
      .toBuffer();
    await setRecordingPicture(world.context, world.owner, id, bytes);
    await remove();
    const kept = readdirSync(folder).length;
    world.clock.advance(6 * dayMs);
    await purge(world.context);
    expect([files().length, readdirSync(folder).length]).toEqual([1, kept]);
    world.clock.advance(2 * dayMs);
    await purge(world.context);
    expect([files().length, readdirSync(folder).length]).toEqual([0, kept - 2]);
    expect(await world.context.db.$count(recordings, eq(recordings.id, id))).toBe(0);
    expect(await codeOf(restoreRecording(world.context, world.owner, id))).toBe("not-found");
  });
  it("that nobody could watch yet leaves the word of another one of its date planned", async () => {
    const told = () => world.context.db.$count(messages, eq(messages.occurrenceId, hour.event.occurrenceId));
    const draft = world.context.ids.id();
    const [published] = await world.context.db.select().from(recordings).where(eq(recordings.id, id));
    const unpublished = { publishedFrom: null, id: draft, slug: draft, fileName: `${draft}.media` };
    await world.context.db.insert(recordings).values({ ...published!, ...unpublished });
    const before = await told();
    await deleteRecording(world.context, world.owner, draft);
    expect(await told()).toBe(before);
    await remove();
    expect(await told()).toBe(before - 1);
  });
  it("waits while it is being put together", async () => {
    await world.context.db.update(recordings).set({ state: "joining" }).where(eq(recordings.id, id));
    expect(await codeOf(remove())).toBe("wrong-state");
  });
});

describe("the picture that stands for a recording", () => {
  const png = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: "#0e5a5a" } })
      .png()
      .toBuffer();
  const row = async () => (await world.context.db.select().from(recordings).where(eq(recordings.id, id)))[0]!;
  it("is made anew as WebP; another takes its place; what is none is refused and changes nothing", async () => {
    expect(await codeOf(recordingPicture(world.context, await row()))).toBe("not-found");
    await setRecordingPicture(world.context, world.owner, id, await png(2000, 1125));
    const first = (await row()).pictureId!;
    const bytes = await new Response(await recordingPicture(world.context, await row())).arrayBuffer();
    expect(await sharp(bytes).metadata()).toMatchObject({ format: "webp", width: 1600, height: 900 });
    await setRecordingPicture(world.context, world.owner, id, await png(320, 180));
    expect((await row()).pictureId).not.toBe(first);
    expect(readdirSync(folder)).not.toContain(`${first}.picture`);
    const before = await row();
    const text = new TextEncoder().encode("no picture");
    expect(await codeOf(setRecordingPicture(world.context, world.owner, id, text))).toBe("bad-file");
    expect(await row()).toEqual(before);
  });
});

describe("a question of somebody who watches (rule 12: answered by mail)", () => {
  const ask = async (token: string, text = "How high was it?") =>
    askOnDemand(world.context, world.cache, await shown(), [token], { text, atSeconds: 90 });
  const asked = () =>
    world.context.db.select().from(questions).where(eq(questions.occurrenceId, hour.event.occurrenceId));
  it("joins those of its date with where the recording stood, and is answered by mail", async () => {
    const [ines] = hour.guests;
    await ask(tokenOf(ines!));
    const [question] = await asked();
    expect(question).toMatchObject({ text: "How high was it?", state: "later", askerTicketId: ines });
    expect(question).toMatchObject({ isByMail: true, recordingSeconds: 90 });
    expect((await library(world.context, world.owner)).find(({ recording }) => recording.id === id)).toMatchObject({
      openQuestionCount: 1,
    });
    await hour.run({ type: "questions.answer", questionId: question!.id, how: "to-one", text: "Four metres." });
    expect((await asked())[0]).toMatchObject({ state: "done", answer: "Four metres." });
    const mails = await world.context.db.select().from(messages).where(eq(messages.questionId, question!.id));
    expect(mails).toMatchObject([{ kind: "answer", ticketId: ines, state: "planned" }]);
    expect(await hour.file("questions")).toMatchObject([{ text: "How high was it?", state: "done" }]);
  });
  it("is for people with a ticket of this date, once it is over; words are bounded", async () => {
    const stranger = tokenOf(await addTicket(world, await makeEvent(world), "attendee", "Of another event"));
    const panelist = tokenOf(await addTicket(world, hour.event, "panelist", "Livia Aranda"));
    for (const token of [stranger, panelist, "forged"]) {
      expect(await codeOf(ask(token))).toBe("not-found");
      expect(await askerOf(world.context, await shown(), [token])).toBeNull();
    }
    const own = tokenOf(hour.guests[0]!);
    // of a series a browser may hold tickets of several dates
    expect(await askerOf(world.context, await shown(), [stranger, panelist, own])).toMatchObject({
      id: hour.guests[0],
    });
    for (const text of ["", "x".repeat(1001)]) expect(await codeOf(ask(own, text))).toBe("invalid-input");
    expect(await asked()).toEqual([]);
    const running = { ...(await shown()), occurrence: { ...(await shown()).occurrence, phase: "open" as const } };
    expect(await askerOf(world.context, running, [own])).toBeNull();
  });
  it("comes at most ten times an hour from one ticket", async () => {
    const own = tokenOf(hour.guests[0]!);
    for (let i = 0; i < 10; i += 1) await ask(own, `Question ${i}`);
    expect(await codeOf(ask(own))).toBe("too-many-tries");
    expect((await asked()).length).toBe(10);
  });
});
