"use server";
import { revalidatePath } from "next/cache";
import { app } from "@/server/compose";
import { cancelRegistration, comeBack } from "@/server/services/registration";
import { holderOf } from "@/server/services/tickets";
import { act, orNotFound } from "../../../_lib/request";

export async function cancelAction(token: string) {
  return act(async () => {
    const { context } = await app();
    await cancelRegistration(context, await holderOf(context, token));
    revalidatePath(`/ticket/${token}`);
  });
}

/** Registers again by the ticket that was given back. */
export async function comeBackAction(token: string): Promise<void> {
  const { context } = await app();
  await orNotFound(async () => comeBack(context, await holderOf(context, token)));
  revalidatePath(`/ticket/${token}`);
}
