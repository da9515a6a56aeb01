import { app } from "@/server/compose";
import { answer } from "../../../../_lib/request";
import { openRecording } from "../asked";
import { byteRange } from "../../../../_lib/byte-range";

/** The recording's bytes, with HTTP Range (RFC 9110 §14). */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    const { context } = await app();
    const { recording } = await openRecording((await params).slug);
    const size = recording.sizeBytes;
    const headers = {
      "content-type": recording.mediaType,
      "accept-ranges": "bytes",
      "cache-control": "private, max-age=300",
    };
    const range = byteRange(request.headers.get("range"), size);
    if (range === "unsatisfiable")
      return new Response(null, { status: 416, headers: { "content-range": `bytes */${size}` } });
    const body = await context.storage.read(recording.fileName, range);
    if (!range) return new Response(body, { headers: { ...headers, "content-length": String(size) } });
    const contentRange = `bytes ${range.start}-${range.end}/${size}`;
    return new Response(body, {
      status: 206,
      headers: { ...headers, "content-range": contentRange, "content-length": String(range.end - range.start + 1) },
    });
  });
}
