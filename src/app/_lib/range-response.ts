import "server-only";
import { app } from "@/server/compose";
import { byteRange } from "@/core/shared";

interface Kept {
  readonly fileName: string;
  readonly sizeBytes: number;
  readonly mediaType: string;
}

/** A kept file's bytes, with HTTP Range (RFC 9110 §14): without it a player cannot go anywhere in it. */
export async function rangeResponse(request: Request, { fileName, sizeBytes, mediaType }: Kept): Promise<Response> {
  const { context } = await app();
  const headers = { "content-type": mediaType, "accept-ranges": "bytes", "cache-control": "private, max-age=300" };
  const range = byteRange(request.headers.get("range"), sizeBytes);
  if (range === "unsatisfiable")
    return new Response(null, { status: 416, headers: { "content-range": `bytes */${sizeBytes}` } });
  const body = await context.storage.read(fileName, range);
  if (!range) return new Response(body, { headers: { ...headers, "content-length": String(sizeBytes) } });
  const contentRange = `bytes ${range.start}-${range.end}/${sizeBytes}`;
  return new Response(body, {
    status: 206,
    headers: { ...headers, "content-range": contentRange, "content-length": String(range.end - range.start + 1) },
  });
}
