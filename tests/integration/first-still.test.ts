import { readFileSync } from "node:fs";
import { eq } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { occurrences, recordings } from "@/server/db/schema";
import { giveFirstStill } from "@/server/services/afterwards/first-still";
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

describe("a recording that nobody chose a picture for", () => {
  it("has one of its own as soon as it is brought, as large as the film, without its sound or its place", async () => {
    const id = await upload(new Uint8Array(readFileSync(shore)));
    const picture = await new Response(await recordingPicture(world.context, await row(id))).arrayBuffer();
    const read = await sharp(picture).metadata();
    expect([read.format, read.exif]).toEqual(["webp", undefined]);
    // a picture of the shore: many colours, not a black frame
    const { channels } = await sharp(picture).stats();
    expect(Math.max(...channels.map(({ stdev }) => stdev))).toBeGreaterThan(10);
  });
  it("keeps the one that was chosen", async () => {
    const id = await kept();
    const own = await sharp({ create: { width: 64, height: 36, channels: 3, background: "#0e5a5a" } })
      .png()
      .toBuffer();
    await setRecordingPicture(world.context, world.owner, id, own);
    const { pictureId } = await row(id);
    await giveFirstStill(world.context, id);
    expect((await row(id)).pictureId).toBe(pictureId);
  });
  it("is given what is there where it is shorter than it says", async () => {
    const id = await kept(shore, { durationSeconds: 360_000 });
    await giveFirstStill(world.context, id);
    expect((await row(id)).pictureId).not.toBeNull();
  });
  it("goes without where the machine has no program for it, or the file holds no picture that can be read", async () => {
    const id = await kept();
    await giveFirstStill(world.context, id, "no-such-program");
    expect((await row(id)).pictureId).toBeNull();
    // pieces of the right shape with nothing drawn in them
    const empty = await kept(film, { mediaType: "video/mp4", durationSeconds: 60 });
    await giveFirstStill(world.context, empty);
    expect((await row(empty)).pictureId).toBeNull();
    await giveFirstStill(world.context, world.context.ids.id());
  });
  it("opens nothing but the file itself, whatever the file says", async () => {
    // a playlist under a film's name would have a reader fetch what it lists (RFC 8216)
    const list = new TextEncoder().encode(
      `#EXTM3U\n#EXT-X-TARGETDURATION:1\n#EXTINF:1,\nfile://${shore}\n#EXT-X-ENDLIST\n`,
    );
    const id = await kept();
    const { fileName } = await row(id);
    await world.context.storage.write(fileName, new Blob([list]).stream(), { maxBytes: 1e6, expectedBytes: null });
    await giveFirstStill(world.context, id);
    expect((await row(id)).pictureId).toBeNull();
  });
});
