import { byteRange } from "@/core/shared";
import type { Ask } from "./ask";

interface Sent {
  readonly fileName: string;
  readonly sizeBytes: number;
  readonly mediaType: string;
  readonly cache: string;
}

/** A kept file's bytes, with HTTP Range (RFC 9110 §14): without it a player cannot go anywhere in it. */
export async function sendFile({ app, request, response }: Ask, file: Sent): Promise<void> {
  const { sizeBytes } = file;
  const range = byteRange(request.headers.range ?? null, sizeBytes);
  if (range === "unsatisfiable") {
    response.writeHead(416, { "content-range": `bytes */${sizeBytes}` }).end();
    return;
  }
  const { start, end } = range ?? { start: 0, end: sizeBytes - 1 };
  response.writeHead(range ? 206 : 200, {
    "content-type": file.mediaType,
    "content-length": end - start + 1,
    "accept-ranges": "bytes",
    "cache-control": file.cache,
    "x-content-type-options": "nosniff",
    ...(range && { "content-range": `bytes ${start}-${end}/${sizeBytes}` }),
  });
  if (request.method === "HEAD") return void response.end();
  await app.context.storage.pour(file.fileName, range, response);
}
