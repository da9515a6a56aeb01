import { randomUUID } from "node:crypto";
import { createReadStream, mkdtempSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Readable } from "node:stream";
import { recordings } from "@/server/db/schema";
import { folderStorage } from "@/server/files/folder-storage";
import { joinPieces } from "@/server/workers/join-pieces";
import { composedPieces } from "./pieces";
import { makeWorld, type World } from "./world";

/** A world whose files lie in a folder of its own, and a film of a minute beside it. */
export async function worldWithFilm(): Promise<{ world: World; film: string }> {
  const folder = mkdtempSync(join(tmpdir(), "film-"));
  const made = await makeWorld();
  const world = { ...made, context: { ...made.context, storage: folderStorage(join(folder, "files")) } };
  const film = join(folder, "original.mp4");
  const run = await composedPieces(folder, "a", 60);
  await joinPieces({ runs: [{ ...run, seconds: 60, fromSeconds: 0 }], outPath: film });
  return { world, film };
}

/** The film as a recording of a date, kept and ready. @returns its id, which is its name in addresses too */
export async function keptRecording(
  { context, clock, organisationId }: World,
  film: string,
  occurrenceId: string,
  own: Partial<typeof recordings.$inferInsert> = {},
): Promise<string> {
  const id = randomUUID();
  const fileName = `${id}.media`;
  const sizeBytes = statSync(film).size;
  const body = Readable.toWeb(createReadStream(film)) as ReadableStream<Uint8Array>;
  await context.storage.write(fileName, body, { maxBytes: 1e9, expectedBytes: sizeBytes });
  await context.db.insert(recordings).values({
    ...{ id, organisationId, occurrenceId, slug: id, title: "Tides", fileName, mediaType: "video/mp4", sizeBytes },
    ...{ durationSeconds: 60, uploadedAt: clock.now(), ...own },
  });
  return id;
}
