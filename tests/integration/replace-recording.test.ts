import { createReadStream, mkdtempSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { recordings } from "@/server/db/schema";
import { cutRecordings } from "@/server/services/afterwards/cut-recordings";
import { saveEdit } from "@/server/services/afterwards/edit-recording";
import { servedOf } from "@/server/services/afterwards/own-recording";
import { replaceRecording } from "@/server/services/afterwards/replace-recording";
import { joinPieces } from "@/server/workers/join-pieces";
import { codeOf } from "../support/code-of";
import { openHour } from "../support/hour";
import { keptRecording, worldWithFilm } from "../support/kept-recording";
import { composedPieces, readMedia } from "../support/pieces";
import type { World } from "../support/world";

let world: World;
let film: string;
let shorter: string;
let id: string;
beforeAll(async () => {
  ({ world, film } = await worldWithFilm());
  const folder = mkdtempSync(join(tmpdir(), "shorter-"));
  shorter = join(folder, "shorter.mp4");
  const run = await composedPieces(folder, "b", 20);
  await joinPieces({ runs: [{ ...run, seconds: 20, fromSeconds: 0 }], outPath: shorter });
});
afterAll(() => world.close());
beforeEach(async () => {
  const hour = await openHour(world, []);
  await hour.run({ type: "hour.end" });
  id = await keptRecording(world, film, hour.event.occurrenceId, { publishedFrom: world.clock.now() });
  const cuts = [{ fromSeconds: 0, toSeconds: 10 }];
  await saveEdit(world.context, world.owner, id, { title: "Tides", cuts, chapters: null });
  await cutRecordings(world.context);
});
const row = async () => (await world.context.db.select().from(recordings).where(eq(recordings.id, id)))[0]!;
const replace = (path: string, expectedBytes = statSync(path).size) =>
  replaceRecording(world.context, world.owner, id, {
    body: Readable.toWeb(createReadStream(path)) as ReadableStream<Uint8Array>,
    expectedBytes,
  });
const isThere = (name: string) =>
  world.context.storage.size(name).then(
    () => true,
    () => false,
  );

describe("a recording's file is replaced", () => {
  it("by one of the same length: address, publication and cuts stay, and it is cut anew", async () => {
    const before = await row();
    expect(await replace(film)).toEqual({ isSameClock: true });
    const after = await row();
    expect(after).toMatchObject({ slug: before.slug, publishedFrom: before.publishedFrom, edit: before.edit });
    expect(after.fileName).not.toBe(before.fileName);
    expect([await isThere(before.fileName), await isThere(after.fileName)]).toEqual([false, true]);
    // what was cut is watched until it is cut anew
    expect([after.editState, servedOf(after).fileName]).toEqual(["waiting", before.editedFile]);
    expect(await cutRecordings(world.context)).toBe(1);
    const [made] = [await row()];
    expect([made.editState, await isThere(before.editedFile!)]).toEqual(["none", false]);
    const read = await world.context.storage.withPaths([servedOf(made).fileName], ([path]) => readMedia(path!));
    expect(read.duration).toBeCloseTo(50, 1);
  });
  it("by one of another length: what was cut by the other clock is dropped", async () => {
    const before = await row();
    expect(await replace(shorter)).toEqual({ isSameClock: false });
    const after = await row();
    expect(after).toMatchObject({ edit: null, editState: "none", kept: null, durationSeconds: 20 });
    expect(servedOf(after)).toMatchObject({ fileName: after.fileName, kept: null });
    expect([await isThere(before.fileName), await isThere(before.editedFile!)]).toEqual([false, false]);
  });
  it("by nothing that is no film, was cut on its way, or comes while there is no file yet: it stays as it was", async () => {
    const before = await row();
    expect(await codeOf(replace(new URL(import.meta.url).pathname))).toBe("bad-file");
    expect(await codeOf(replace(shorter, statSync(shorter).size + 1))).toBe("upload-cut");
    expect(await row()).toEqual(before);
    expect(await isThere(before.fileName)).toBe(true);
    await world.context.db.update(recordings).set({ state: "waiting" }).where(eq(recordings.id, id));
    expect(await codeOf(replace(shorter))).toBe("wrong-state");
  });
});
