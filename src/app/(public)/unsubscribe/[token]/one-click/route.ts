import { app } from "@/server/compose";
import { unsubscribe } from "@/server/services/way-in/registration";
import { answer } from "../../../../_lib/request";

/**
 * Takes the POST of `/unsubscribe/{token}`: by a mail program (RFC 8058, no page, no cookie, no origin), or by
 * the page's own form, which is led back to its page.
 */
export function POST(request: Request, { params }: { params: Promise<{ token: string }> }): Promise<Response> {
  return answer(async () => {
    const { context } = await app();
    const { token } = await params;
    await unsubscribe(context, token);
    const isPage = (await request.formData().catch(() => null))?.get("page") === "1";
    return isPage
      ? new Response(null, { status: 303, headers: { location: `/unsubscribe/${token}?done` } })
      : new Response(null, { status: 200 });
  });
}
