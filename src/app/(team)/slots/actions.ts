"use server";
import { revalidatePath } from "next/cache";
import { createSlots } from "@/server/services/way-in/slots";
import { act, currentMember } from "../../_lib/request";

export async function createSlotsAction(input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    const made = await createSlots(context, member, input);
    revalidatePath("/slots");
    return made;
  });
}
