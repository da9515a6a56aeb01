import { commandInput } from "@/contracts";
import { isStageRole } from "@/core/people";
import { notFound, parse, type Context } from "../ground/context";
import { executeWhole, type RoomCache } from "../ground/room/commands";
import { countTries } from "../ground/tries";
import { ticketAmong } from "../way-in/tickets";
import type { Shown } from "./recordings";

/** Whether whoever watches may ask: they have a ticket of this date, and it is over. */
export async function askerOf(
  context: Context,
  { event, occurrence }: Shown,
  tokens: readonly string[],
): ReturnType<typeof ticketAmong> {
  if (occurrence.phase !== "ended") return null;
  return ticketAmong(
    context,
    event.id,
    tokens,
    ({ role, occurrenceId }) => !isStageRole(role) && (occurrenceId === null || occurrenceId === occurrence.id),
  );
}

/**
 * A question of somebody who watches a recording: it joins those of its date, and is answered by mail (rule 12).
 * @param input its words, and where the recording stood
 */
export async function askOnDemand(
  context: Context,
  cache: RoomCache,
  shown: Shown,
  tokens: readonly string[],
  input: { readonly text: unknown; readonly atSeconds: unknown },
): Promise<void> {
  const ticket = await askerOf(context, shown, tokens);
  if (!ticket) throw notFound("ticket");
  await countTries(context, [["question-on-demand", ticket.id]]);
  const { text, atSeconds } = input;
  const asked = parse(commandInput, {
    commandId: context.ids.id(),
    command: { type: "questions.ask-afterwards", text, atSeconds },
  });
  const actor = { role: ticket.role, duties: ticket.duties };
  await executeWhole(context, cache, { actorId: ticket.id, actor, occurrenceId: shown.occurrence.id }, asked);
}
