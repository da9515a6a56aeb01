import { app } from "@/server/compose";
import type { Bringer } from "@/server/services/hour/bring";
import { addHandOut } from "@/server/services/hour/hand-outs";
import { provenHolder } from "../../../../_lib/proven-holder";
import { bodyStream } from "../../../../_lib/upload";
import { answer, currentMember, requireOwnOrigin } from "../../../../_lib/request";

/** Whoever sends: by the link that they hold, else by their sign-in. */
const bringer = async (token: string | null): Promise<Bringer> =>
  token ? { holder: await provenHolder(token) } : { member: (await currentMember()).member };

/** A file for the audience as the request's body, named by `?name=`; somebody of the stage sends their link along. */
export function POST(request: Request, { params }: { params: Promise<{ date: string }> }): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const by = await bringer(request.headers.get("x-own-link"));
    const { context } = await app();
    const { body, expectedBytes } = bodyStream(request);
    const name = new URL(request.url).searchParams.get("name") ?? "";
    return Response.json({
      ok: true,
      id: await addHandOut(context, by, (await params).date, name, body, expectedBytes),
    });
  });
}
