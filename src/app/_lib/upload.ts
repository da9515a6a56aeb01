import "server-only";
import { Refusal } from "@/core/shared";

/** A file sent as the request's body; one that was cut on its way is refused. */
export async function bodyWhole(request: Request): Promise<Uint8Array> {
  const bytes = new Uint8Array(await request.arrayBuffer());
  const length = Number(request.headers.get("content-length") ?? bytes.byteLength);
  if (length !== bytes.byteLength)
    throw new Refusal({ code: "upload-cut", expectedBytes: length, receivedBytes: bytes.byteLength });
  return bytes;
}

/** A file's bytes as they come, and how many the sender says they are; null where it says none. */
export function bodyStream(request: Request): { body: ReadableStream<Uint8Array>; expectedBytes: number | null } {
  if (!request.body) throw new Refusal({ code: "bad-file", reason: "empty" });
  const length = request.headers.get("content-length");
  return { body: request.body, expectedBytes: length === null ? null : Number(length) };
}

/** What a query says in JSON; null where it says none that can be read. */
export function jsonQuery(request: Request, name: string): unknown {
  const raw = new URL(request.url).searchParams.get(name);
  try {
    return raw ? (JSON.parse(raw) as unknown) : null;
  } catch {
    return null;
  }
}
