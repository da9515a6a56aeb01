"use server";
import { revalidatePath } from "next/cache";
import type { Locale } from "@/contracts/messages";
import type { GuestFormState } from "@/features/shared/guest-form";
import { app } from "@/server/compose";
import { askCallBack } from "@/server/services/hour/call-back";
import { cancelRegistration, comeBack } from "@/server/services/way-in/registration-changes";
import { correctOwnDetails } from "@/server/services/way-in/own-details";
import { askOwnFile } from "@/server/services/way-in/own-file";
import { holderOf } from "@/server/services/way-in/tickets";
import { inLanguage } from "../../../_lib/locale";
import { act } from "../../../_lib/request";

/** Gives the place back. */
export async function cancelAction(token: string, locale: Locale) {
  return act(async () => {
    const { context } = await app();
    await cancelRegistration(context, await holderOf(context, token));
    revalidatePath(`/ticket/${token}`);
  }, inLanguage(locale));
}

/** Registers again by the ticket that was given back; a refusal comes back in words. */
export async function comeBackAction(token: string, locale: Locale): Promise<GuestFormState> {
  const done = await act(async () => {
    const { context } = await app();
    await comeBack(context, await holderOf(context, token));
    revalidatePath(`/ticket/${token}`);
  }, inLanguage(locale));
  return { wrong: done.ok ? null : done.words };
}

/** Somebody asks to be called instead of dialling in. */
export async function callMeAction(token: string, locale: Locale, number: string) {
  return act(async () => {
    const { context } = await app();
    await askCallBack(context, await holderOf(context, token), number);
  }, inLanguage(locale));
}

/** Sends the link to everything that is kept of the holder, to their own address. */
export async function askOwnFileAction(token: string, locale: Locale) {
  return act(async () => {
    const { context } = await app();
    await askOwnFile(context, await holderOf(context, token, { ofDeleted: true }));
  }, inLanguage(locale));
}

/** Registrants mend their own name or address; a new address means a new link, which this browser is given at once. */
export async function correctDetailsAction(token: string, locale: Locale, details: { name: string; email: string }) {
  return act(async () => {
    const { context } = await app();
    const next = await correctOwnDetails(context, await holderOf(context, token), details);
    revalidatePath(`/ticket/${next}`);
    return next === token ? null : next;
  }, inLanguage(locale));
}
