import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import { recordings } from "@/server/db/schema";
import { objectStorage } from "@/server/files/object-storage";
import { storeAddress } from "@/server/platform/store-address";
import { cutRecordings } from "@/server/services/afterwards/cut-recordings";
import { saveEdit } from "@/server/services/afterwards/edit-recording";
import { makeSounds, soundOf } from "@/server/services/afterwards/make-sounds";
import { objectStoreStandIn } from "@/stand-ins/object-store";
import { openHour } from "../support/hour";
import { keptRecording, worldWithFilm } from "../support/kept-recording";
import { readMedia } from "../support/pieces";
import type { World } from "../support/world";

let world: World;
let film: string;
const store = await objectStoreStandIn();
beforeAll(async () => {
  const made = await worldWithFilm();
  const storage = objectStorage(storeAddress.parse(store.address), mkdtempSync(join(tmpdir(), "at-work-")));
  ({ film } = made);
  world = { ...made.world, context: { ...made.world.context, storage } };
});
afterAll(async () => {
  await world.close();
  await store.close();
});

it("a recording kept in an object store is cut there, and its sound is made alone", async () => {
  const { context, owner } = world;
  const hour = await openHour(world, []);
  await hour.run({ type: "hour.end" });
  const id = await keptRecording(world, film, hour.event.occurrenceId);
  const row = async () => (await context.db.select().from(recordings).where(eq(recordings.id, id)))[0]!;
  await saveEdit(context, owner, id, {
    title: "Tides",
    cuts: [{ fromSeconds: 0, toSeconds: 10 }],
    chapters: null,
  });
  expect(await cutRecordings(context)).toBe(1);
  expect(await makeSounds(context)).toBe(1);
  const made = await row();
  const file = await context.storage.withPaths([made.editedFile!], ([path]) => readMedia(path!));
  expect(file.duration).toBeCloseTo(50, 1);
  expect([...store.objects.keys()].sort()).toEqual([made.fileName, made.editedFile!, soundOf(made)!.fileName].sort());
  expect(store.objects.get(made.editedFile!)!.length).toBe(made.editedBytes);
});
