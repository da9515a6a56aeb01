import { boardTitleInput } from "@/contracts";
import type { InkAct, Surface } from "@/core/room";
import { Refusal, unwrap } from "@/core/shared";
import { notifyFacts } from "../../db/notify";
import { mainRoomOf } from "../../db/queries/journal";
import { dropMarks, layMarks, mostActs, surfaceActs } from "../../room";
import type { TeamMember } from "../ground/access";
import { notFound, parse, type Context } from "../ground/context";
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
  const title = parse(boardTitleInput, file.title.slice(0, 80));
  const marks = unwrap(await context.sums.run("board-file", [file.bytes]));
  if (marks.length > mostActs) throw new Refusal({ code: "board-full" });
  const room = await mainRoomOf(context.db, occurrenceId);
  if (!room) throw notFound("date");
  const boardId = context.ids.id();
  const drawn = marks.map((mark) => [context.ids.id(), mark] as const);
  const at = { roomId: room.id, organisationId: room.organisationId, boardId, actorId: ticketId };
  // the marks first: a board is never seen half drawn, and one that is refused leaves none
  await layMarks(context.db, { ...at, now: context.clock.now() }, drawn);
  const command = { type: "board.make", title } as const;
  try {
    await execute(context, cache, { actorId: ticketId, actor, occurrenceId }, { commandId: boardId, command });
  } catch (error) {
    await dropMarks(context.db, room.id, boardId);
    throw error;
  }
  await notifyFacts(context.db, occurrenceId, ["board:behind"]);
  return { boardId };
}
