"use server";
import { revalidatePath } from "next/cache";
import { act } from "../../../_lib/request";
import { visitorLocale } from "../../../_lib/locale";
import { app } from "@/server/compose";
import { audienceWords } from "@/contracts/messages";
import { askOnDemand } from "@/server/services/afterwards/ask-on-demand";
import { shownWithTokens } from "./asked";
import { refuseToBeCounted } from "./watcher";

/** Whoever watches is counted from now on, or not any more. */
export async function countMeAction(slug: string, isCounted: boolean): Promise<void> {
  await refuseToBeCounted(!isCounted);
  revalidatePath(`/on-demand/${slug}`);
}

/** A question to the team, from where the recording stands; answered by mail. */
export async function askAction(slug: string, ticket: string | null, text: string, atSeconds: number) {
  const locale = await visitorLocale();
  return act(
    async () => {
      const { context, roomCache } = await app();
      const { shown, tokens } = await shownWithTokens(slug, ticket);
      await askOnDemand(context, roomCache, shown, tokens, { text, atSeconds });
    },
    (failure) => audienceWords(failure, locale),
  );
}
