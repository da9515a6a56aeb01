import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import { deckPages, decks, organisations, recordings } from "@/server/db/schema";
import { cutRecordings } from "@/server/services/afterwards/cut-recordings";
import { saveEdit } from "@/server/services/afterwards/edit-recording";
import { makeSounds, soundOf } from "@/server/services/afterwards/make-sounds";
import { publishRecording } from "@/server/services/afterwards/publish-recording";
import { pagesBeside } from "@/server/services/afterwards/recording-pages";
import { onDemand } from "@/server/services/afterwards/recordings";
import { openHour } from "../support/hour";
import { keptRecording, worldWithFilm } from "../support/kept-recording";
import type { World } from "../support/world";

let world: World;
let film: string;
beforeAll(async () => {
  ({ world, film } = await worldWithFilm());
});
afterAll(() => world.close());
const recordingOf = (occurrenceId: string, own: Parameters<typeof keptRecording>[3] = {}) =>
  keptRecording(world, film, occurrenceId, own);
const row = async (id: string) => (await world.context.db.select().from(recordings).where(eq(recordings.id, id)))[0]!;
const cutFirst = async (id: string, seconds: number) => {
  const cuts = [{ fromSeconds: 0, toSeconds: seconds }];
  await saveEdit(world.context, world.owner, id, { title: "Tides", cuts, chapters: null });
};

it("the sound alone is made once of what is watched, and anew when that was cut; the one before goes", async () => {
  const { event } = await openHour(world, []);
  const id = await recordingOf(event.occurrenceId);
  expect(soundOf(await row(id))).toBeNull();
  expect(await makeSounds(world.context)).toBeGreaterThan(0);
  const first = soundOf(await row(id))!;
  expect(await world.context.storage.size(first.fileName)).toBe(first.sizeBytes);
  expect(await makeSounds(world.context)).toBe(0);
  await cutFirst(id, 30);
  // what is being cut is not given a sound twice
  expect(await makeSounds(world.context)).toBe(0);
  await cutRecordings(world.context);
  // of a file that is watched no more there is no sound either
  expect(soundOf(await row(id))).toBeNull();
  expect(await makeSounds(world.context)).toBe(1);
  const second = soundOf(await row(id))!;
  expect(second.sizeBytes).toBeLessThan(first.sizeBytes * 0.7);
  await expect(world.context.storage.size(first.fileName)).rejects.toThrow();
});
it("a file without sound is tried once, and offers none", async () => {
  const { event } = await openHour(world, []);
  const id = await recordingOf(event.occurrenceId, { fileName: "nothing.media" });
  expect([await makeSounds(world.context), await makeSounds(world.context)]).toEqual([1, 0]);
  expect(soundOf(await row(id))).toBeNull();
});

it("slides stand beside a recording as they were shown, in the reader's language, on the clock of what was cut", async () => {
  const hour = await openHour(world, []);
  const { occurrenceId } = hour.event;
  const [en, de] = [randomUUID(), randomUUID()];
  const { organisationId } = world;
  const deck = { organisationId, occurrenceId, title: "Tides", state: "ready" as const, pageCount: 2, sizeBytes: 9 };
  const createdAt = world.clock.now();
  await world.context.db.insert(decks).values([
    { ...deck, id: en, language: "en", createdAt },
    { ...deck, id: de, language: "de", versionOfId: en, createdAt },
  ]);
  const pageId = (deckId: string, number: number) => ({ id: randomUUID(), deckId, number, isReady: true });
  const pages = [pageId(en, 1), pageId(en, 2), pageId(de, 1)];
  await world.context.db.insert(deckPages).values(pages);
  const fromAt = world.clock.now();
  world.clock.advance(10_000);
  await hour.run({ type: "slides.show", deckId: en, page: 1, seen: null });
  world.clock.advance(20_000);
  await hour.run({ type: "slides.show", deckId: en, page: 2, seen: { deckId: en, page: 1 } });
  world.clock.advance(15_000);
  await hour.run({ type: "slides.put-away" });
  world.clock.advance(15_000);
  await hour.run({ type: "hour.end" });
  const id = await recordingOf(occurrenceId, { spans: [{ from: fromAt, to: fromAt + 60_000 }] });
  await publishRecording(world.context, world.owner, id, {
    ...{ from: null, until: null, audience: "everyone", tells: false },
  });
  const [organisation] = await world.context.db
    .select()
    .from(organisations)
    .where(eq(organisations.id, world.organisationId));
  const beside = async (language: string) => {
    const item = await onDemand(world.context, organisation!, id, { proofOf: () => null, tokens: [] });
    if (item.isLocked) throw new Error("locked");
    const found = await pagesBeside(world.context, item, [language]);
    return found.map((one) => [one.pictureId, one.page, one.pageCount, one.startSeconds, one.endSeconds]);
  };
  expect(await beside("en")).toEqual([
    [pages[0]!.id, 1, 2, 10, 30],
    [pages[1]!.id, 2, 2, 30, 45],
  ]);
  // the German version has one page that is ready: the second is the first language's
  expect((await beside("de")).map(([picture]) => picture)).toEqual([pages[2]!.id, pages[1]!.id]);
  await cutFirst(id, 20);
  await cutRecordings(world.context);
  expect((await beside("en")).map(([, page, , from, to]) => [page, from, to])).toEqual([
    [1, 0, 10],
    [2, 10, 25],
  ]);
});
