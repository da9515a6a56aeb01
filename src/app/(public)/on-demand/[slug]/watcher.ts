import "server-only";
import { randomUUID } from "node:crypto";
import { cookies } from "next/headers";
import { app } from "@/server/compose";
import { countTries } from "@/server/services/ground/tries";
import { ticketAmong } from "@/server/services/way-in/tickets";
import { heldTokens, isUuid, remoteAddress } from "../../../_lib/request";

/** One browser, told apart from others and known by nothing else; or that it is not to be counted. */
const watchCookie = "sc-watch";
const notCounted = "no";
const keptSeconds = 365 * 86_400;

const options = (url: string, path: string) =>
  ({ httpOnly: true, sameSite: "lax", secure: url.startsWith("https:"), path, maxAge: keptSeconds }) as const;

/** Whether the person of this browser has asked not to be counted. */
export const isRefused = async (): Promise<boolean> => (await cookies()).get(watchCookie)?.value === notCounted;

export async function refuseToBeCounted(isRefusedNow: boolean): Promise<void> {
  const { context } = await app();
  const own = options(context.environment.STAGE_CALL_URL, "/on-demand");
  if (isRefusedNow) (await cookies()).set(watchCookie, notCounted, own);
  else (await cookies()).set(watchCookie, randomUUID(), own);
}

/** Who watches: by the ticket that this browser holds, else the browser itself. */
export async function watcher(
  eventId: string,
): Promise<{ readonly ticketId: string } | { readonly browser: string } | "not-counted"> {
  const jar = await cookies();
  const known = jar.get(watchCookie)?.value;
  if (known === notCounted) return "not-counted";
  const { context } = await app();
  const ticket = await ticketAmong(context, eventId, await heldTokens());
  if (ticket) return { ticketId: ticket.id };
  const isNew = !isUuid(known);
  // whoever throws the cookie away each time is a new viewer each time: a network has so many
  if (isNew) await countTries(context, [["viewer-of-network", await remoteAddress()]]);
  const own = isNew ? randomUUID() : known;
  if (isNew) jar.set(watchCookie, own, options(context.environment.STAGE_CALL_URL, "/on-demand"));
  return { browser: context.secrets.fingerprint(own) };
}
