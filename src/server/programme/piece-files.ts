import type { Storage } from "../files/storage";

const safe = (feed: string): string => feed.replace(":", "-");
export const pieceFile = (roomId: string, feed: string, number: number): string =>
  `programme-${roomId}-${safe(feed)}-${number}.m4s`;
export const initFile = (roomId: string, feed: string, number: number): string =>
  `programme-${roomId}-${safe(feed)}-init-${number}.mp4`;

export async function writeBytes(storage: Storage, name: string, bytes: Uint8Array): Promise<void> {
  const body = new Blob([bytes as Uint8Array<ArrayBuffer>]).stream();
  await storage.write(name, body, { maxBytes: bytes.length, expectedBytes: bytes.length });
}
export async function readBytes(storage: Storage, name: string): Promise<Uint8Array> {
  return new Uint8Array(await new Response(await storage.read(name, null)).arrayBuffer());
}
