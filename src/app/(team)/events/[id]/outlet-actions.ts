"use server";
import { revalidatePath } from "next/cache";
import { addOutlet, removeOutlet, switchOutlet } from "@/server/services/hour/outlets";
import { act, currentMember } from "../../../_lib/request";

export async function addOutletAction(eventId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await addOutlet(context, member, eventId, input);
    revalidatePath(`/events/${eventId}/plan`);
  });
}

export async function switchOutletAction(eventId: string, id: string, isOn: boolean) {
  return act(async () => {
    const { context, member } = await currentMember();
    await switchOutlet(context, member, eventId, id, isOn === true);
    revalidatePath(`/events/${eventId}/plan`);
  });
}

export async function removeOutletAction(eventId: string, id: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await removeOutlet(context, member, eventId, id);
    revalidatePath(`/events/${eventId}/plan`);
  });
}
