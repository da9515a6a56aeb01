import { cookies } from "next/headers";
import { app } from "@/server/compose";
import { notFound } from "@/server/services/ground/context";
import { fileBody } from "@/server/services/way-in/front/files";
import { holderOf } from "@/server/services/way-in/tickets";
import { frontDoor } from "@/server/services/way-in/front-door";
import { answer, currentOrganisation, isUuid } from "../../../../../_lib/request";
import { passCookie } from "@/server/services/way-in/pass-cookie";

/** A file for visitors. A private event's files need its access code, as the page does, or a ticket. */
export function GET(
  request: Request,
  { params }: { params: Promise<{ slug: string; file: string }> },
): Promise<Response> {
  return answer(async () => {
    const { context } = await app();
    const { slug, file } = await params;
    const cookie = (await cookies()).get(passCookie(slug))?.value ?? null;
    const ticket = new URL(request.url).searchParams.get("ticket");
    const holder = ticket ? await holderOf(context, ticket) : null;
    const found = await frontDoor(context, await currentOrganisation(), slug, {
      cookie,
      isInvited: holder?.event.slug === slug,
    });
    if (found.isLocked || !isUuid(file)) throw notFound("file");
    const { name, mediaType, body } = await fileBody(context, found.door.event.id, file);
    return new Response(body, {
      headers: {
        "content-type": mediaType,
        "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
        "x-content-type-options": "nosniff",
        "cache-control": "private, max-age=300",
      },
    });
  });
}
