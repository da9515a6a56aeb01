import "server-only";
import { app } from "@/server/compose";
import { notFound } from "@/server/services/ground/context";
import { isProven, needsProof } from "@/server/services/way-in/entry-proofs";
import { holderOf, requireWayIn, type Holder } from "@/server/services/way-in/tickets";
import { proofToken } from "./request";

/** Whoever holds this link, on a device that was let in where the event asks for that: before every act by a link. */
export async function provenHolder(token: string): Promise<Holder> {
  const { context } = await app();
  const holder = await holderOf(context, token);
  requireWayIn(holder);
  if (needsProof(holder) && !(await isProven(context, holder.ticket.id, await proofToken(holder.ticket.id))))
    throw notFound("ticket");
  return holder;
}
