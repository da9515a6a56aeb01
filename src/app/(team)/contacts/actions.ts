"use server";
import { revalidatePath } from "next/cache";
import { removeGroup, saveContact } from "@/server/services/people/contacts/book";
import { eraseContact } from "@/server/services/people/contacts/erase";
import { markContacts } from "@/server/services/people/contacts/mark";
import { mergeContacts } from "@/server/services/people/contacts/merge";
import { act, currentMember } from "../../_lib/request";

export async function saveContactAction(personId: string | null, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    const id = await saveContact(context, member, personId, input);
    revalidatePath("/contacts");
    return id;
  });
}

export async function eraseContactAction(personId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await eraseContact(context, member, personId);
    revalidatePath("/contacts");
  });
}

export async function mergeContactsAction(choice: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await mergeContacts(context, member, choice);
    revalidatePath("/contacts");
  });
}

export async function removeGroupAction(name: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await removeGroup(context, member, name);
    revalidatePath("/contacts");
  });
}

export async function markContactsAction(input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    const count = await markContacts(context, member, input);
    revalidatePath("/contacts");
    return count;
  });
}
