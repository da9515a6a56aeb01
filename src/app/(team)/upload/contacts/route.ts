import { wordsOf, type ImportLine } from "@/contracts";
import { importContacts, previewImport } from "@/server/services/people/contacts/import";
import { bodyWhole, jsonQuery } from "../../../_lib/upload";
import { answer, currentMember, failureOf, requireOwnOrigin } from "../../../_lib/request";

/**
 * A file of contacts as the request's body: `?preview` tells how it would be read; without it the file is
 * taken in and the answer is one JSON line a step. Outside the proxy, which would cut it.
 */
export function POST(request: Request): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { context, member } = await currentMember();
    const bytes = await bodyWhole(request);
    const mapping = jsonQuery(request, "mapping");
    if (new URL(request.url).searchParams.has("preview"))
      return Response.json({ ok: true, preview: await previewImport(context, member, bytes, mapping) });
    const encoder = new TextEncoder();
    const stream = new ReadableStream<Uint8Array>({
      async start(controller) {
        const tell = (line: ImportLine) => controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
        try {
          await importContacts(context, member, bytes, mapping, tell);
        } catch (error) {
          tell({ type: "refused", words: wordsOf(failureOf(error)) });
        }
        controller.close();
      },
    });
    return new Response(stream, { headers: { "content-type": "application/x-ndjson", "cache-control": "no-store" } });
  });
}
