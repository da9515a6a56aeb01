import { app } from "@/server/compose";
import { boardFeed } from "@/server/services/afterwards/boards";
import { answer, currentOrganisation } from "../../../../_lib/request";

/** A board's feed (Atom). */
export function GET(_request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(async () => {
    const { context } = await app();
    return new Response(await boardFeed(context, await currentOrganisation(), (await params).slug), {
      headers: { "content-type": "application/atom+xml; charset=utf-8", "cache-control": "public, max-age=60" },
    });
  });
}
