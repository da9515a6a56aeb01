"use server";
import { redirect } from "next/navigation";
import { app } from "@/server/compose";
import { answerByLink } from "@/server/services/replies";
import { orNotFound, remoteAddress } from "../../../_lib/request";

/** Keeps the answer. */
export async function replyAction(token: string, data: FormData): Promise<void> {
  const { context } = await app();
  const registered = await orNotFound(async () => answerByLink(context, token, String(data.get("reply") ?? ""), await remoteAddress()));
  redirect(`/reply/${token}?done=${registered ? "registered" : "kept"}`);
}
