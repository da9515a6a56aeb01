"use server";
import { redirect } from "next/navigation";
import { audienceWords, messagesFor } from "@/contracts/messages";
import { app } from "@/server/compose";
import { slugOfRoomCode } from "@/server/services/planning/dates/open-now";
import { countTries } from "@/server/services/ground/tries";
import { visitorLocale } from "../_lib/locale";
import { currentOrganisation, failureOf, remoteAddress } from "../_lib/request";

/** Leads from a room code to its page. Tries are counted: codes are short. */
export async function roomCodeAction(_before: string | null, data: FormData): Promise<string | null> {
  let slug: string;
  try {
    const { context } = await app();
    await countTries(context, [
      ["access-code", `room|${await remoteAddress()}`],
      ["code-of-target", "room"],
    ]);
    slug = await slugOfRoomCode(context, await currentOrganisation(), String(data.get("code") ?? ""));
  } catch (error) {
    const failure = failureOf(error);
    return failure.code === "not-found"
      ? messagesFor(await visitorLocale()).front.roomCodeWrong
      : audienceWords(failure, await visitorLocale());
  }
  redirect(`/front/${slug}`);
}
