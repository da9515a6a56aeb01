import { open } from "node:fs/promises";
import type { ServerResponse } from "node:http";

const atOnceBytes = 256 * 1024;

/**
 * Pours a file, or a stretch of it, into a response, with one buffer that is used again and again: a new one for each
 * part makes a large process tidy up all the time (measured: two thirds of the work). It is a response alone that is
 * poured into: its socket says when the kernel has the bytes, other streams keep what they were given. Ends quietly
 * where whoever reads goes away.
 */
export async function pourFile(
  path: string,
  range: { readonly start: number; readonly end: number } | null,
  to: ServerResponse,
): Promise<void> {
  const file = await open(path);
  try {
    const [start, end] = range ? [range.start, range.end + 1] : [0, (await file.stat()).size];
    const isGone = new Promise<false>((done) => to.once("close", () => done(false)));
    const buffer = Buffer.allocUnsafeSlow(Math.min(atOnceBytes, Math.max(1, end - start)));
    for (let at = start; at < end;) {
      const { bytesRead } = await file.read(buffer, 0, Math.min(buffer.length, end - at), at);
      if (bytesRead === 0) break;
      at += bytesRead;
      const isTaken = new Promise<boolean>((done) => to.write(buffer.subarray(0, bytesRead), (error) => done(!error)));
      // what is still on its way is not written over: the next read waits for it
      if (!(await Promise.race([isTaken, isGone]))) return void to.destroy();
    }
    to.end();
  } finally {
    await file.close();
  }
}
