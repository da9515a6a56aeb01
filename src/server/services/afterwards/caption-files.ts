import { recordingMsAt, type Span } from "@/core/programme";
import { vttOf } from "@/core/room";
import { captionLanguages, captionsOf } from "../../room";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, type Context } from "../ground/context";

/** A span that captions are told within: from when, and how long. */
interface Within {
  readonly startAt: number;
  readonly durationMs: number;
  readonly spans?: readonly Span[] | null;
  /** what stays of a recording that was cut, on its own clock */
  readonly kept?: readonly Span[] | null;
}
const originalClock = ({ startAt, durationMs, spans }: Within) => {
  // what the room recorded itself: recorded time before it; what was said in a pause is not in it (rule 25)
  if (spans)
    return (at: number): number | null =>
      spans.some(({ from, to }) => at >= from && at < to) ? recordingMsAt(spans, at) : null;
  return (at: number): number | null => (at < startAt || at > startAt + durationMs ? null : at - startAt);
};
/** Where an instant is in what is watched; null where it is not in it. */
function clockOf(within: Within): (at: number) => number | null {
  const { kept } = within;
  const original = originalClock(within);
  if (!kept) return original;
  return (at) => {
    const ms = original(at);
    return ms !== null && kept.some(({ from, to }) => ms >= from && ms < to) ? recordingMsAt(kept, ms) : null;
  };
}

/** The languages in which something was captioned. */
export const captionLanguagesOf = (context: Context, occurrenceId: string): Promise<readonly string[]> =>
  captionLanguages(context.db, occurrenceId);

/** The captions of one language on a recording's clock. @throws not-found where there are none */
export async function captionsText(
  context: Context,
  occurrenceId: string,
  language: string,
  within: Within,
): Promise<string> {
  const lines = await captionsOf(context.db, occurrenceId, language);
  if (lines.length === 0) throw notFound("captions");
  return vttOf(lines, clockOf(within));
}

/** The same as a date's file, counted from the first rise of the curtain; each export is written to the audit log. */
export async function captionsFile(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  language: string,
): Promise<string> {
  const { occurrence } = await dateAccess(context, member, eventId, occurrenceId, "event.exports");
  const startAt = occurrence.showStartedAt ?? occurrence.startAt;
  const text = await captionsText(context, occurrenceId, language, { startAt, durationMs: Infinity });
  const { organisationId, userId } = member;
  const facts = { file: `captions.${language}.vtt` };
  await audit(context, context.db, { organisationId, actorId: userId, action: "export", eventId, occurrenceId, facts });
  return text;
}
