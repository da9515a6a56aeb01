import { createWriteStream } from "node:fs";
import { rm } from "node:fs/promises";
import { Readable, Transform } from "node:stream";
import { pipeline } from "node:stream/promises";
import { Refusal } from "@/core/shared";

function counted(maxBytes: number): { counter: Transform; received: () => number } {
  let received = 0;
  const counter = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      received += chunk.length;
      done(received > maxBytes ? new Refusal({ code: "file-too-large", limitBytes: maxBytes }) : null, chunk);
    },
  });
  return { counter, received: () => received };
}

/**
 * Takes a stream to a file, whole or not at all. @returns how many bytes came
 * @throws file-too-large, upload-cut, disk-full
 */
export async function writeWhole(
  path: string,
  body: ReadableStream<Uint8Array>,
  { maxBytes, expectedBytes }: { readonly maxBytes: number; readonly expectedBytes: number | null },
): Promise<number> {
  const { counter, received } = counted(maxBytes);
  try {
    await pipeline(Readable.fromWeb(body as Parameters<typeof Readable.fromWeb>[0]), counter, createWriteStream(path));
    if (expectedBytes !== null && received() !== expectedBytes) {
      throw new Refusal({ code: "upload-cut", expectedBytes, receivedBytes: received() });
    }
    return received();
  } catch (error) {
    await rm(path, { force: true });
    if (error instanceof Refusal) throw error;
    if ((error as NodeJS.ErrnoException).code === "ENOSPC") throw new Refusal({ code: "disk-full" });
    throw new Refusal({ code: "upload-cut", expectedBytes: expectedBytes ?? 0, receivedBytes: received() });
  }
}
