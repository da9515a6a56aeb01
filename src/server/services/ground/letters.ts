import type { Letter } from "@/core/mailings";
import type { Db } from "../../db/client";
import { letters } from "../../db/schema";
import type { Context } from "./context";

/** Plans a letter to one of the team; it leaves with the next mails. */
export async function planLetter(
  context: Context,
  tx: Db,
  organisationId: string,
  to: { readonly name: string; readonly email: string },
  body: Letter,
): Promise<void> {
  const id = context.ids.id();
  const now = context.clock.now();
  await tx.insert(letters).values({
    id,
    organisationId,
    toName: to.name,
    toEmail: to.email,
    body,
    dueAt: now,
    messageId: `<${id}@stage-call.example.org>`,
    createdAt: now,
  });
}
