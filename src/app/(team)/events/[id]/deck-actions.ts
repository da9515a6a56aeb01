"use server";
import { removeDeck, saveNotes, setHandOut } from "@/server/services/hour/decks";
import { act, currentMember } from "../../../_lib/request";

export async function removeDeckAction(deckId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await removeDeck(context, { member }, String(deckId));
  });
}

export async function setHandOutAction(deckId: string, isHandOut: boolean) {
  return act(async () => {
    const { context, member } = await currentMember();
    await setHandOut(context, member, String(deckId), isHandOut === true);
  });
}

export async function saveNotesAction(deckId: string, page: number, text: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await saveNotes(context, { member }, String(deckId), Number(page), text);
  });
}
