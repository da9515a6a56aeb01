import { addFile } from "@/server/services/way-in/front/files";
import { bodyStream } from "../../../../_lib/upload";
import { answer, currentMember, requireOwnOrigin } from "../../../../_lib/request";

/** Takes a file for visitors as the request's body, named by `?name=`. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { context, member } = await currentMember();
    const { body, expectedBytes } = bodyStream(request);
    const name = new URL(request.url).searchParams.get("name") ?? "";
    const file = await addFile(context, member, (await params).id, name, body, expectedBytes);
    return Response.json({ ok: true, file });
  });
}
