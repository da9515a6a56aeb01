import { and, asc, eq } from "drizzle-orm";
import { frontDoorInput, type FrontDoorInput } from "@/contracts";
import { Refusal } from "@/core/shared";
import { events, people, tickets } from "../../../db/schema";
import { isEventWide } from "../../../db/queries/event-wide";
import { accessFor, type TeamMember } from "../../ground/access";
import { parse, type Context } from "../../ground/context";
import { requireOwnPicture } from "./pictures";

export interface StageCard {
  readonly ticketId: string;
  readonly name: string;
  readonly aboutLine: string;
  readonly portraitId: string | null;
}

/** Those of the stage who stand on the public page, in the order in which they were added. */
export async function stageCards(context: Context, eventId: string): Promise<readonly StageCard[]> {
  const rows = await context.db
    .select({ ticketId: tickets.id, name: people.name, aboutLine: tickets.aboutLine, portraitId: tickets.portraitId })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(and(eq(tickets.eventId, eventId), isEventWide(), eq(tickets.role, "panelist")))
    .orderBy(asc(tickets.registeredAt), asc(tickets.id))
    .limit(50);
  return rows.map((row) => ({ ...row, name: row.name ?? "" }));
}

/** What the front door's editor begins with. */
export async function frontDoorDraft(
  context: Context,
  member: TeamMember,
  eventId: string,
): Promise<{ version: number; input: FrontDoorInput; names: ReadonlyMap<string, string> }> {
  const { event } = await accessFor(context, member, eventId, "event.read");
  const cards = await stageCards(context, eventId);
  const input = {
    look: event.look,
    agendaShown: event.agendaShown,
    formFields: event.formFields.map((field) => ({ ...field, options: [...field.options] })),
    stage: cards.map(({ ticketId, aboutLine, portraitId }) => ({ ticketId, aboutLine, portraitId })),
  };
  return { version: event.version, input, names: new Map(cards.map((card) => [card.ticketId, card.name])) };
}

/** Keeps the look, the form and the lines about people. Of two editors the second hears of the first. */
export async function saveFrontDoor(
  context: Context,
  member: TeamMember,
  eventId: string,
  version: number,
  rawInput: unknown,
): Promise<number> {
  const { event } = await accessFor(context, member, eventId, "event.plan");
  const { look, agendaShown, formFields, stage } = parse(frontDoorInput, rawInput);
  for (const id of [look.bannerId, look.logoId, ...stage.map((one) => one.portraitId)])
    await requireOwnPicture(context, eventId, id);
  return context.db.transaction(async (tx) => {
    const [saved] = await tx
      .update(events)
      .set({ look, agendaShown, formFields, version: version + 1 })
      .where(and(eq(events.id, eventId), eq(events.version, version)))
      .returning({ version: events.version });
    if (!saved) throw new Refusal({ code: "edited-meanwhile", currentVersion: event.version });
    for (const { ticketId, aboutLine, portraitId } of stage)
      await tx
        .update(tickets)
        .set({ aboutLine, portraitId })
        .where(and(eq(tickets.id, ticketId), eq(tickets.eventId, eventId)));
    return saved.version;
  });
}
