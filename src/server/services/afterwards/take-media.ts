import { fileTypeFromBuffer } from "file-type";
import { Refusal } from "@/core/shared";
import type { Context } from "../ground/context";
import { bytesToSpare } from "../ground/store-room";
import type { RecordingRow } from "./own-recording";

/** What the bytes are, whatever the name says. */
async function mediaTypeOf(head: Uint8Array): Promise<RecordingRow["mediaType"]> {
  const type = await fileTypeFromBuffer(head);
  if (type?.mime === "video/mp4" || type?.mime === "video/webm") return type.mime;
  throw new Refusal({ code: "bad-file", reason: "not-a-video" });
}

/** A recording's file as it came. */
export type TakenFile = Pick<RecordingRow, "fileName" | "mediaType" | "sizeBytes">;

/**
 * Takes an upload whole or not at all; its size and content are checked, and it goes again where `keep` throws.
 * @throws file-too-large, store-full, upload-cut, bad-file
 */
export async function takeMedia<T>(
  context: Context,
  organisationId: string,
  { body, expectedBytes }: { readonly body: ReadableStream<Uint8Array>; readonly expectedBytes: number | null },
  keep: (file: TakenFile) => Promise<T>,
): Promise<T> {
  const fileName = `${context.ids.id()}.media`;
  const limitBytes = context.environment.STAGE_CALL_UPLOAD_LIMIT_MB * 1_000_000;
  const maxBytes = await bytesToSpare(context, organisationId, limitBytes, expectedBytes);
  const sizeBytes = await context.storage.write(fileName, body, { maxBytes, expectedBytes });
  try {
    const mediaType = await mediaTypeOf(await context.storage.head(fileName, 8192));
    return await keep({ fileName, mediaType, sizeBytes });
  } catch (error) {
    await context.storage.remove(fileName);
    throw error;
  }
}
