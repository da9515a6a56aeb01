import "server-only";
import { FileStore } from "@tus/file-store";
import { Server, type Upload } from "@tus/server";
import { createReadStream } from "node:fs";
import { join } from "node:path";
import { Readable } from "node:stream";
import { httpStatusOf, mostDeckBytes, wordsOf } from "@/contracts";
import { app } from "@/server/compose";
import type { Bringer } from "@/server/services/hour/bring";
import { addDeck, mayAddDeck } from "@/server/services/hour/decks";
import { provenHolder } from "./proven-holder";
import { currentMember, failureOf } from "./request";

/** What broke off may go on for so long. */
const keptMs = 24 * 3_600_000;

/** Whoever sends: by the link that they hold, else by their sign-in. */
async function ownerOf(metadata: Upload["metadata"]): Promise<Bringer> {
  const token = metadata?.["token"];
  if (!token) return { member: (await currentMember()).member };
  return { holder: await provenHolder(token) };
}
const inputOf = (metadata: Upload["metadata"]) => ({
  title: metadata?.["title"] ?? "",
  language: metadata?.["language"] ?? "",
  versionOfId: metadata?.["versionOfId"] || null,
});

/** Refusals as the protocol has them: a status, and the failure as data. */
async function refused<T>(run: () => Promise<T>): Promise<T> {
  try {
    return await run();
  } catch (error) {
    const failure = failureOf(error);
    throw { status_code: httpStatusOf[failure.code], body: JSON.stringify({ failure, words: wordsOf(failure) }) };
  }
}

async function make(): Promise<Server> {
  const { context } = await app();
  const folder = join(context.environment.STAGE_CALL_FILES, "arriving");
  const store = new FileStore({ directory: folder, expirationPeriodInMilliseconds: keptMs });
  return new Server({
    path: "/upload/slides",
    datastore: store,
    relativeLocation: true,
    maxSize: mostDeckBytes,
    // may they, and is there room: asked before the first byte
    onUploadCreate: (_request, upload) =>
      refused(async () => {
        const { metadata } = upload;
        await mayAddDeck(
          context,
          await ownerOf(metadata),
          metadata?.["occurrenceId"] ?? "",
          inputOf(metadata),
          upload.size ?? null,
        );
        return {};
      }),
    onUploadFinish: (_request, upload) =>
      refused(async () => {
        const { metadata, id, size } = upload;
        try {
          const body = Readable.toWeb(createReadStream(join(folder, id))) as ReadableStream<Uint8Array>;
          await addDeck(
            context,
            await ownerOf(metadata),
            metadata?.["occurrenceId"] ?? "",
            inputOf(metadata),
            body,
            size ?? null,
          );
        } finally {
          await store.remove(id).catch(() => {});
        }
        return {};
      }),
  });
}

let server: Promise<Server> | null = null;
/** The one server of resumable uploads; what nobody goes on with is forgotten after a day. */
export async function slidesUpload(): Promise<Server> {
  server ??= make();
  const made = await server;
  void made.cleanUpExpiredUploads().catch(() => {});
  return made;
}
