"use server";
import { changeHandOut, handOutAsDeck, removeHandOut } from "@/server/services/hour/hand-outs";
import type { HandOutChange } from "@/contracts";
import { act, currentMember } from "../../../_lib/request";

export async function changeHandOutAction(id: string, change: HandOutChange) {
  return act(async () => {
    const { context, member } = await currentMember();
    await changeHandOut(context, { member }, String(id), change);
  });
}

export async function handOutAsDeckAction(id: string, language: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await handOutAsDeck(context, { member }, String(id), String(language));
  });
}

export async function removeHandOutAction(id: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await removeHandOut(context, { member }, String(id));
  });
}
