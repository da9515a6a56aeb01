"use server";
import { revalidatePath } from "next/cache";
import { cancelBookings, closeSlots, createSlots, editSlots } from "@/server/services/way-in/slot-plans";
import { act, currentMember } from "../../_lib/request";

export async function createSlotsAction(input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    const made = await createSlots(context, member, input);
    revalidatePath("/slots");
    return made;
  });
}

export async function editSlotsAction(eventId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await editSlots(context, member, eventId, input);
    revalidatePath("/slots");
  });
}

export async function closeSlotsAction(eventId: string, isClosed: boolean) {
  return act(async () => {
    const { context, member } = await currentMember();
    await closeSlots(context, member, eventId, isClosed);
    revalidatePath("/slots");
  });
}

export async function cancelBookingsAction(eventId: string, dateIds: readonly string[]) {
  return act(async () => {
    const { context, member } = await currentMember();
    const count = await cancelBookings(context, member, eventId, dateIds);
    revalidatePath("/slots");
    return count;
  });
}
