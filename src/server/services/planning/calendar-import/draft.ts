import type { EventDraft } from "@/contracts";
import { Refusal } from "@/core/shared";
import { wallTimeAt, type ZoneCity } from "@/core/time";
import type { TeamMember } from "../../ground/access";
import type { Context } from "../../ground/context";
import { organisationOf } from "../../organisation/rules";
import { draftFromCalendar } from "./event-file";
import { draftFromText } from "./event-text";

/** The beginning of a plan out of a calendar file, or of pasted text: a calendar's own text or plain words. */
export async function readDraft(
  context: Context,
  member: TeamMember,
  bytes: Uint8Array | null,
  text: string,
  cities: readonly ZoneCity[],
): Promise<EventDraft> {
  if (member.standing === "crew") throw new Refusal({ code: "not-allowed", action: "event.plan" });
  const { zone } = await organisationOf(context, member.organisationId);
  if (bytes) return draftFromCalendar(bytes, zone);
  if (text.trim() === "") throw new Refusal({ code: "bad-calendar", reason: "nothing-in-it" });
  if (/^BEGIN:VCALENDAR/m.test(text))
    return draftFromCalendar(new TextEncoder().encode(text.trim().replace(/\r?\n/g, "\r\n")), zone);
  return draftFromText(text, wallTimeAt(context.clock.now(), zone).local, zone, cities);
}
