import { asc, eq } from "drizzle-orm";
import sharp from "sharp";
import { boardSurface, pictureOf, writeSvg } from "@/core/room";
import { drawingBoards } from "../../db/schema";
import { mainRoomOf } from "../../db/queries/journal";
import { surfaceActs } from "../../room";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, type Context } from "../ground/context";

interface DrawnBoard {
  /** from 1, in the order that they were made */
  readonly number: number;
  readonly id: string;
  readonly title: string;
}

/** The boards of a date, by number. */
async function drawnBoards(context: Context, occurrenceId: string): Promise<readonly DrawnBoard[]> {
  const rows = await context.db
    .select({ id: drawingBoards.id, title: drawingBoards.title })
    .from(drawingBoards)
    .where(eq(drawingBoards.occurrenceId, occurrenceId))
    .orderBy(asc(drawingBoards.createdAt), asc(drawingBoards.id))
    .limit(50);
  return rows.map((row, i) => ({ ...row, number: i + 1 }));
}

/** One board as the date's file: drawn from its rows, as vectors or as a picture; each export is written to the audit log. */
export async function boardFile(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  { number, kind }: { readonly number: number; readonly kind: "svg" | "png" },
): Promise<Uint8Array> {
  await dateAccess(context, member, eventId, occurrenceId, "event.exports");
  const board = (await drawnBoards(context, occurrenceId))[number - 1];
  const room = await mainRoomOf(context.db, occurrenceId);
  if (!board || !room) throw notFound("board");
  const { organisationId, userId } = member;
  const facts = { file: `board-${number}.${kind}` };
  await audit(context, context.db, { organisationId, actorId: userId, action: "export", eventId, occurrenceId, facts });
  const picture = pictureOf(await surfaceActs(context.db, room.id, boardSurface(board.id)));
  const marks = picture.standing().map((one) => one.mark);
  const svg = Buffer.from(writeSvg(board.title || `Board ${number}`, marks));
  return kind === "svg" ? svg : await sharp(svg).png().toBuffer();
}
