"use server";
import { revalidatePath } from "next/cache";
import { tryAgain } from "@/server/services/mailings/outbox";
import { act, currentMember } from "../../_lib/request";

/** Tries a mail that failed once more. */
export async function tryAgainAction(messageId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await tryAgain(context, member, messageId);
    revalidatePath("/outbox");
  });
}
