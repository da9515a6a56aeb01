import "server-only";
import { cookies } from "next/headers";
import { Refusal } from "@/core/shared";
import { app } from "@/server/compose";
import { onDemand, type OnDemand } from "@/server/services/afterwards/recordings";
import { currentOrganisation } from "../../../_lib/request";
import { passCookie } from "../../_lib/pass-cookie";

/** The recording that a browser asks for, or the event whose code it has to give first. */
export async function askedRecording(slug: string) {
  const jar = await cookies();
  const { context } = await app();
  const proofOf = (eventSlug: string) => jar.get(passCookie(eventSlug))?.value ?? null;
  return onDemand(context, await currentOrganisation(), slug, proofOf);
}

/** The same for its files: without the code there is nothing there. */
export async function openRecording(slug: string): Promise<OnDemand> {
  const asked = await askedRecording(slug);
  if (asked.isLocked) throw new Refusal({ code: "not-found", what: "recording" });
  return asked;
}
