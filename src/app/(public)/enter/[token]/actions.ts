"use server";
import { redirect } from "next/navigation";
import type { HandOutChange } from "@/contracts";
import type { Locale } from "@/contracts/messages";
import { Refusal } from "@/core/shared";
import { app } from "@/server/compose";
import { askForProof, redeemProof } from "@/server/services/way-in/entry-proofs";
import { countTry } from "@/server/services/ground/tries";
import { askForDesk } from "@/server/services/organisation/team-invitations";
import { takeName, wayIn } from "@/server/services/hour/entry";
import { changeHandOut, removeHandOut } from "@/server/services/hour/hand-outs";
import { removeDeck } from "@/server/services/hour/decks";
import { holderOf, requireWayIn } from "@/server/services/way-in/tickets";
import { inLanguage } from "../../../_lib/locale";
import { provenHolder } from "../../../_lib/proven-holder";
import { act, giveHolder } from "../../../_lib/request";

/** Exchanges the link for this browser's seat: a cookie of this ticket's own. */
export async function enterAction(token: string, locale: Locale, name: string, hasTriedDevices: boolean) {
  return act(async () => {
    const { context } = await app();
    const holder = await provenHolder(token);
    if (!wayIn(holder, context.clock.now()).isOpen)
      throw new Refusal({ code: "wrong-state", action: "enter", state: holder.occurrence.phase });
    await takeName(context, holder, name, hasTriedDevices === true);
    await giveHolder(context, holder.ticket.id, token);
  }, inLanguage(locale));
}

/** Mails whoever holds a duty a link to a sign-in of their own. */
export async function askDeskAction(token: string, locale: Locale) {
  return act(async () => {
    const { context } = await app();
    const holder = await holderOf(context, token);
    requireWayIn(holder);
    const { role, duties } = holder.actor;
    if (role !== "producer" && (role !== "crew" || duties.length === 0))
      throw new Refusal({ code: "not-allowed", action: "desk.open" });
    await countTry(context, "sign-in", `desk|${holder.ticket.id}`);
    const { organisationId } = holder.ticket;
    await askForDesk(context, { organisationId, name: holder.person.name ?? "", email: holder.person.email ?? "" });
  }, inLanguage(locale));
}

/** Sends the one-time link to the holder's address. */
export async function askProofAction(token: string, locale: Locale) {
  return act(async () => {
    const { context } = await app();
    const holder = await holderOf(context, token);
    requireWayIn(holder);
    await askForProof(context, holder);
  }, inLanguage(locale));
}

/** Uses the one-time link for this browser, and goes on to the foyer. */
export async function useProofAction(token: string, locale: Locale, proof: string) {
  const done = await act(async () => {
    const { context } = await app();
    const holder = await holderOf(context, token);
    await giveHolder(context, holder.ticket.id, token, await redeemProof(context, holder, proof));
  }, inLanguage(locale));
  if (done.ok) redirect(`/enter/${token}`);
  return done;
}

/** Takes slides of one's own away again. */
export async function removeOwnDeckAction(token: string, locale: Locale, deckId: string) {
  return act(async () => {
    const { context } = await app();
    await removeDeck(context, { holder: await provenHolder(token) }, String(deckId));
  }, inLanguage(locale));
}

/** Shows or hides a file of one's own, or moves it in the list. */
export async function changeOwnHandOutAction(token: string, locale: Locale, id: string, change: HandOutChange) {
  return act(async () => {
    const { context } = await app();
    await changeHandOut(context, { holder: await provenHolder(token) }, String(id), change);
  }, inLanguage(locale));
}

/** Takes a file of one's own away again. */
export async function removeOwnHandOutAction(token: string, locale: Locale, id: string) {
  return act(async () => {
    const { context } = await app();
    await removeHandOut(context, { holder: await provenHolder(token) }, String(id));
  }, inLanguage(locale));
}
