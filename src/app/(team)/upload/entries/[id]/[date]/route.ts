import { importEntries, previewEntries } from "@/server/services/afterwards/import-entries";
import { bodyWhole, jsonQuery } from "../../../../../_lib/upload";
import { answer, currentMember, requireOwnOrigin } from "../../../../../_lib/request";

/** A file of entries as the request's body: `?preview` tells how it would be read; without it it is imported. */
export function POST(
  request: Request,
  { params }: { params: Promise<{ id: string; date: string }> },
): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { context, member } = await currentMember();
    const { id, date } = await params;
    const bytes = await bodyWhole(request);
    const mapping = jsonQuery(request, "mapping");
    if (new URL(request.url).searchParams.has("preview"))
      return Response.json({ ok: true, preview: await previewEntries(context, member, id, date, bytes, mapping) });
    return Response.json({ ok: true, imported: await importEntries(context, member, id, date, bytes, mapping) });
  });
}
