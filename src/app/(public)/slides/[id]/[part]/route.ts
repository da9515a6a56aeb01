import { notFound } from "@/server/services/ground/context";
import { deckPart } from "@/server/services/hour/deck-files";
import { app } from "@/server/compose";
import { answer, isUuid } from "../../../../_lib/request";

/**
 * A page of slides: `1600` and `800` are its pictures, `text` what is read of it; `file` of a deck is the PDF, where
 * people may take it. The id is the key: nobody can guess it, and the house is told a page's only when it is on.
 */
export function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string; part: string }> },
): Promise<Response> {
  return answer(async () => {
    const { id, part } = await params;
    if (!isUuid(id)) throw notFound("page");
    const { context } = await app();
    const { body, headers } = await deckPart(context, id, part);
    return new Response(body, { headers: { ...headers, "x-content-type-options": "nosniff" } });
  });
}
