import { boardTitleInput } from "@/contracts";
import { readSvg, type InkAct, type Surface } from "@/core/room";
import { unwrap } from "@/core/shared";
import { notifyFacts } from "../../db/notify";
import { layMarks, surfaceActs } from "../../room";
import type { TeamMember } from "../ground/access";
import { parse, type Context } from "../ground/context";
import type { RoomCache } from "../ground/room/commands";
import { execute } from "../ground/room/commands";
import { deskEntry } from "./entry";

/** What was done on one surface, in its order. That it is the reader's to see was asked before. */
export const drawnOn = (context: Context, roomId: string, surface: Surface): Promise<readonly InkAct[]> =>
  surfaceActs(context.db, roomId, surface);

/** A board made of a vector file that was saved here before: its marks are drawn again one by one, and can be taken away so. */
export async function boardFromFile(
  context: Context,
  cache: RoomCache,
  member: TeamMember,
  { eventId, occurrenceId }: { readonly eventId: string; readonly occurrenceId: string },
  file: { readonly title: string; readonly bytes: Uint8Array },
): Promise<{ readonly boardId: string }> {
  const { ticketId, actor } = await deskEntry(context, member, eventId, occurrenceId);
  const marks = unwrap(readSvg(new TextDecoder().decode(file.bytes)));
  const title = parse(boardTitleInput, file.title.slice(0, 80));
  const boardId = context.ids.id();
  const made = await execute(
    context,
    cache,
    { actorId: ticketId, actor, occurrenceId },
    { commandId: boardId, command: { type: "board.make", title } },
  );
  const at = { roomId: made.roomId, organisationId: member.organisationId, boardId, actorId: ticketId };
  await layMarks(
    context.db,
    { ...at, now: context.clock.now() },
    marks.map((mark) => [context.ids.id(), mark]),
  );
  await notifyFacts(context.db, occurrenceId, ["board:behind"]);
  return { boardId };
}
