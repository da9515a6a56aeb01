import { readFileSync } from "node:fs";
import { eq } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { occurrences, recordings } from "@/server/db/schema";
import { makeStills } from "@/server/services/afterwards/make-stills";
import { recordingPicture, setRecordingPicture } from "@/server/services/afterwards/recording-picture";
import { uploadRecording } from "@/server/services/afterwards/recordings";
import { keptRecording, worldWithFilm } from "../support/kept-recording";
import { makeEvent, type World } from "../support/world";

let world: World;
let film: string;
let event: Awaited<ReturnType<typeof makeEvent>>;
/** An hour of a shore, encoded as VP9 in WebM: what the demo shows. */
const shore = new URL("../../scripts/demo/shore.webm", import.meta.url).pathname;

beforeAll(async () => {
  const made = await worldWithFilm();
  const environment = { ...made.world.context.environment, STAGE_CALL_UPLOAD_LIMIT_MB: 10 };
  world = { ...made.world, context: { ...made.world.context, environment } };
  film = made.film;
});
afterAll(() => world.close());
beforeEach(async () => {
  event = await makeEvent(world);
  await world.context.db.update(occurrences).set({ phase: "ended" }).where(eq(occurrences.id, event.occurrenceId));
});
const row = async (id: string) => (await world.context.db.select().from(recordings).where(eq(recordings.id, id)))[0]!;
const kept = (path = shore, part: Partial<typeof recordings.$inferInsert> = {}) =>
  keptRecording(world, path, event.occurrenceId, { mediaType: "video/webm", durationSeconds: 3600, ...part });
const upload = (bytes: Uint8Array<ArrayBuffer>) =>
  uploadRecording(
    world.context,
    world.owner,
    event.eventId,
    event.occurrenceId,
    new Blob([bytes]).stream(),
    bytes.length,
  );

/** What is left of it when all but its first seconds are cut out: of the same film here, under another name. */
async function cutTo(id: string, seconds: number): Promise<void> {
  const editedFile = `${world.context.ids.id()}.edited`;
  const bytes = new Blob([new Uint8Array(readFileSync(shore))]);
  await world.context.storage.write(editedFile, bytes.stream(), { maxBytes: 1e8, expectedBytes: bytes.size });
  const keptSpans = [{ from: 0, to: seconds * 1000 }];
  const cut = { editedFile, editedBytes: bytes.size, kept: keptSpans };
  await world.context.db.update(recordings).set(cut).where(eq(recordings.id, id));
}
const picture = async (id: string) => new Response(await recordingPicture(world.context, await row(id))).arrayBuffer();

describe("a recording that nobody chose a picture for", () => {
  it("gets one of its own: as WebP, without what a camera adds, of something that can be seen", async () => {
    const id = await upload(new Uint8Array(readFileSync(shore)));
    expect((await row(id)).pictureId).toBeNull();
    await makeStills(world.context);
    const bytes = await picture(id);
    const read = await sharp(bytes).metadata();
    expect([read.format, read.exif]).toEqual(["webp", undefined]);
    // many shades, not a black frame
    const { channels } = await sharp(bytes).stats();
    expect(Math.max(...channels.map(({ stdev }) => stdev))).toBeGreaterThan(10);
    // once is enough
    const { pictureId } = await row(id);
    await makeStills(world.context);
    expect((await row(id)).pictureId).toBe(pictureId);
  });
  it("keeps the one that was chosen, before or after", async () => {
    const own = () =>
      sharp({ create: { width: 64, height: 36, channels: 3, background: "#0e5a5a" } })
        .png()
        .toBuffer();
    const before = await kept();
    await setRecordingPicture(world.context, world.owner, before, await own());
    const chosen = (await row(before)).pictureId;
    const after = await kept();
    await makeStills(world.context);
    expect((await row(before)).pictureId).toBe(chosen);
    await setRecordingPicture(world.context, world.owner, after, await own());
    const later = (await row(after)).pictureId;
    await cutTo(after, 1800);
    await makeStills(world.context);
    expect((await row(after)).pictureId).toBe(later);
  });
  it("gets another when it is cut: nothing that was cut out stands for the rest", async () => {
    const id = await kept();
    await makeStills(world.context);
    const first = (await row(id)).pictureId!;
    await cutTo(id, 1800);
    await makeStills(world.context);
    const second = await row(id);
    expect([second.pictureId === first, second.pictureId]).toEqual([false, second.stillId]);
    // the one before it is kept nowhere
    await expect(world.context.storage.size(`${first}.picture`)).rejects.toThrow();
  });
  it("is given what is there where it is shorter than it says", async () => {
    const id = await kept(shore, { durationSeconds: 360_000 });
    await makeStills(world.context);
    expect((await row(id)).pictureId).not.toBeNull();
  });
  it("waits while the machine has no program for it", async () => {
    const id = await kept();
    expect(await makeStills(world.context, "no-such-program")).toBe(0);
    expect(await row(id)).toMatchObject({ pictureId: null, stillOf: null });
    await makeStills(world.context);
    expect((await row(id)).pictureId).not.toBeNull();
  });
  it("goes without where no picture can be read, is not tried again, and holds up no other", async () => {
    // pieces of the right shape with nothing drawn in them; a file that is gone
    const empty = await kept(film, { mediaType: "video/mp4", durationSeconds: 60 });
    const gone = await kept();
    await world.context.storage.remove((await row(gone)).fileName);
    const good = await kept();
    await makeStills(world.context);
    expect([(await row(empty)).pictureId, (await row(gone)).pictureId]).toEqual([null, null]);
    expect((await row(empty)).stillOf).toBe((await row(empty)).fileName);
    expect((await row(good)).pictureId).not.toBeNull();
  });
  it("opens nothing but the file itself, whatever the file says", async () => {
    // a playlist under a film's name would have a reader fetch what it lists (RFC 8216)
    const list = new TextEncoder().encode(
      `#EXTM3U\n#EXT-X-TARGETDURATION:1\n#EXTINF:1,\nfile://${shore}\n#EXT-X-ENDLIST\n`,
    );
    const id = await kept();
    const { fileName } = await row(id);
    await world.context.storage.write(fileName, new Blob([list]).stream(), { maxBytes: 1e6, expectedBytes: null });
    await makeStills(world.context);
    expect((await row(id)).pictureId).toBeNull();
  });
});
