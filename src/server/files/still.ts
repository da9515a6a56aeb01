import { spawn } from "node:child_process";
import type { Readable } from "node:stream";

const longestMs = 15_000;
const mostBytes = 12_000_000;
const widestPixels = 1280;

/** The file's own kind is named, so that nothing in it is taken for a list of other files; nothing else is opened. */
const readers = { "video/mp4": "mov", "video/webm": "matroska" } as const;
export type StillKind = keyof typeof readers;

const argumentsOf = (path: string, kind: StillKind, atSeconds: number): string[] => [
  ...["-hide_banner", "-nostdin", "-loglevel", "error", "-protocol_whitelist", "file"],
  ...["-ss", atSeconds.toFixed(3), "-f", readers[kind], "-i", path, "-map", "0:v:0", "-frames:v", "1"],
  ...["-vf", `scale='min(${widestPixels},iw)':-2`, "-c:v", "png", "-f", "image2pipe", "pipe:1"],
];

async function allOf(stream: Readable): Promise<Buffer | null> {
  const parts: Buffer[] = [];
  let bytes = 0;
  for await (const part of stream as AsyncIterable<Buffer>) {
    bytes += part.length;
    if (bytes > mostBytes) return null;
    parts.push(part);
  }
  return Buffer.concat(parts);
}

/**
 * One picture of a recording, as PNG, by ffmpeg where the machine has it: a picture that nobody chose is better than
 * none, and no more than that. @returns null where there is no picture at that instant or it took too long; `missing`
 * where there is no such program
 */
export async function stillOf(
  path: string,
  { kind, atSeconds, command = "ffmpeg" }: { kind: StillKind; atSeconds: number; command?: string },
): Promise<Uint8Array | null | "missing"> {
  const child = spawn(/*turbopackIgnore: true*/ command, argumentsOf(path, kind, atSeconds), {
    stdio: ["ignore", "pipe", "ignore"],
  });
  const timer = setTimeout(() => child.kill("SIGKILL"), longestMs);
  const ended = new Promise<boolean | "missing">((done) => {
    child.once("error", ({ code }: NodeJS.ErrnoException) => done(code === "ENOENT" ? "missing" : false));
    child.once("close", (code) => done(code === 0));
  });
  try {
    const bytes = await allOf(child.stdout).catch(() => null);
    if (bytes === null) child.kill("SIGKILL");
    const end = await ended;
    if (end === "missing") return end;
    return end && bytes !== null && bytes.length > 0 ? bytes : null;
  } finally {
    clearTimeout(timer);
  }
}
