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

/** What a query says in JSON; null where it says none that can be read. */
export function jsonQuery(request: Request, name: string): unknown {
  const raw = new URL(request.url).searchParams.get(name);
  try {
    return raw ? (JSON.parse(raw) as unknown) : null;
  } catch {
    return null;
  }
}
