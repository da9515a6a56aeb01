import { and, eq, inArray } from "drizzle-orm";
import { callTimeOf } from "@/core/dates";
import { mayHandOut } from "@/core/people";
import { roleMay } from "@/core/rights";
import { planRunSheet } from "@/core/run-sheet";
import { minuteMs } from "@/core/time";
import { tickets } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import type { OccurrenceRow } from "../planning/dates/load";
import { segmentsOf, timed } from "../planning/run-sheets";
import { listStagePeople, type StageListItem } from "../people/stage-people";
import { tokenOf } from "../way-in/tickets";

export interface CallLine extends Omit<StageListItem, "zone"> {
  readonly zone: string;
  /** when to be backstage: the call of the date, or the same lead ahead of their first segment where that comes earlier */
  readonly callAt: number;
  readonly first: { readonly title: string; readonly startAt: number } | null;
  /** the personal way in; null for whoever may not hand out that place */
  readonly link: string | null;
}

/** Everyone of the stage on one page: as what, at which hour of their own, by which link. */
export async function callSheet(
  context: Context,
  member: TeamMember,
  eventId: string,
  date: OccurrenceRow,
): Promise<readonly CallLine[]> {
  const { actor } = await accessFor(context, member, eventId, "event.read");
  const [folk, sheet] = await Promise.all([listStagePeople(context, member, eventId), segmentsOf(context.db, date.id)]);
  const plan = planRunSheet(
    sheet.map((one) => timed(one, date.zone)),
    date.startAt,
    date.endAt,
  );
  const handedOut = roleMay(actor, "event.people") ? folk.filter((one) => one.isMe || mayHandOut(actor, one)) : [];
  const ids = handedOut.map((one) => one.ticketId);
  const rows =
    ids.length > 0
      ? await context.db
          .select()
          .from(tickets)
          .where(and(eq(tickets.eventId, eventId), inArray(tickets.id, ids)))
      : [];
  const linkOf = new Map(
    rows.map((ticket) => [ticket.id, `${context.environment.STAGE_CALL_URL}/enter/${tokenOf(context, ticket)}`]),
  );
  return folk.map((one) => {
    const index = sheet.findIndex(
      (segment) => segment.leaderTicketId === one.ticketId || segment.besideTicketIds.includes(one.ticketId),
    );
    const first = index < 0 ? null : { title: sheet[index]!.title, startAt: plan.segments[index]!.startAt };
    const call = callTimeOf(date.startAt, date.callMinutes);
    return {
      ...one,
      zone: one.zone ?? date.zone,
      callAt: first ? Math.min(call, first.startAt - date.callMinutes * minuteMs) : call,
      first,
      link: linkOf.get(one.ticketId) ?? null,
    };
  });
}
