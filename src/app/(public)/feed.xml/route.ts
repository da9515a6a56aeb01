import { app } from "@/server/compose";
import { organisationFeed } from "@/server/services/outside/feed";
import { answer, currentOrganisation } from "../../_lib/request";

/** The organisation's feed (Atom): events and recordings. */
export function GET(): Promise<Response> {
  return answer(async () => {
    const { context } = await app();
    return new Response(await organisationFeed(context, await currentOrganisation()), {
      headers: { "content-type": "application/atom+xml; charset=utf-8", "cache-control": "public, max-age=60" },
    });
  });
}
