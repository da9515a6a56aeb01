"use server";
import { redirect } from "next/navigation";
import type { Locale } from "@/contracts/messages";
import type { GuestFormState } from "@/features/shared/guest-form";
import { app } from "@/server/compose";
import { answerByLink } from "@/server/services/way-in/replies";
import { inLanguage } from "../../../_lib/locale";
import { act, remoteAddress } from "../../../_lib/request";

/** Keeps the answer; a refusal comes back in words. */
export async function replyAction(
  token: string,
  locale: Locale,
  _before: GuestFormState,
  data: FormData,
): Promise<GuestFormState> {
  const done = await act(
    async () => answerByLink((await app()).context, token, String(data.get("reply") ?? ""), await remoteAddress()),
    inLanguage(locale),
  );
  if (!done.ok) return { wrong: done.words };
  redirect(`/reply/${token}?done=${done.value}`);
}
