import { nobody, type MailDoc } from "@/core/mailings";
import { wrongInput, type Context } from "../ground/context";
import type { TeamMember } from "../ground/access";
import { draftOf, saveMailing } from "../mailings/compose";

const mostAddressed = 5000;

/** Begins a note to these people and no others, about a date; whoever writes it still sees and sends it. */
export async function draftForPeople(
  context: Context,
  member: TeamMember,
  { eventId, occurrenceId }: { readonly eventId: string; readonly occurrenceId: string },
  personIds: readonly string[],
  text: { readonly subject?: string; readonly doc?: MailDoc } = {},
): Promise<{ readonly id: string }> {
  const ids = [...new Set(personIds)].filter((id) => id !== "");
  if (ids.length === 0) throw wrongInput("people", "no-person-at-all");
  if (ids.length > mostAddressed) throw wrongInput("people", "too-many", { most: mostAddressed });
  const draft = await draftOf(context, member, eventId, null, "note");
  const { id } = await saveMailing(context, member, eventId, null, 0, {
    ...draft,
    ...text,
    audience: { ...nobody, dateId: occurrenceId, personIds: ids },
  });
  return { id };
}
