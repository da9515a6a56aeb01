import { Refusal } from "@/core/shared";
import { addFile } from "@/server/services/way-in/front/files";
import { answer, currentMember, requireOwnOrigin } from "../../../../_lib/request";

/** Takes a file for visitors as the request's body, named by `?name=`. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return answer(async () => {
    requireOwnOrigin(request);
    const { context, member } = await currentMember();
    if (!request.body) throw new Refusal({ code: "bad-file", reason: "empty" });
    const length = request.headers.get("content-length");
    const name = new URL(request.url).searchParams.get("name") ?? "";
    return Response.json({
      ok: true,
      file: await addFile(
        context,
        member,
        (await params).id,
        name,
        request.body,
        length === null ? null : Number(length),
      ),
    });
  });
}
