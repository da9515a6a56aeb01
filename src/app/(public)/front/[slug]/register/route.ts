import type { NextRequest } from "next/server";
import { registerForm } from "@/contracts";
import { Refusal } from "@/core/shared";
import { languageCookie, localeFrom } from "../../../../_lib/locale";
import { answer, remoteOf, requireOwnOrigin } from "../../../../_lib/request";
import { passCookie } from "@/server/services/way-in/pass-cookie";
import { registering } from "../registering";

const mostBytes = 65_536;

async function formOf(request: Request) {
  if (Number(request.headers.get("content-length") ?? mostBytes + 1) > mostBytes)
    throw new Refusal({ code: "too-large", limitBytes: mostBytes });
  const form = registerForm.safeParse(await request.json().catch(() => null));
  if (!form.success) throw new Refusal({ code: "not-found", what: "form" });
  return form.data;
}

/**
 * What the public form sends where the browser runs scripts, answered as the form's next state. Outside the proxy,
 * so it checks origin and length on its own: a thousand people press at once when an event is announced.
 */
export const POST = (request: NextRequest, { params }: { params: Promise<{ slug: string }> }): Promise<Response> =>
  answer(async () => {
    requireOwnOrigin(request);
    const { typed, ...cameBy } = await formOf(request);
    const { slug } = await params;
    const { headers, cookies } = request;
    const state = await registering(typed, {
      ...cameBy,
      slug,
      host: headers.get("host") ?? "",
      passCookie: cookies.get(passCookie(slug))?.value ?? null,
      remote: remoteOf(headers),
      agent: headers.get("user-agent") ?? "",
      locale: localeFrom(cookies.get(languageCookie)?.value, headers.get("accept-language")),
    });
    return Response.json(state, { headers: { "cache-control": "no-store", "x-content-type-options": "nosniff" } });
  });
