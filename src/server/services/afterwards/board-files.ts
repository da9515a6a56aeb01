import { asc, eq } from "drizzle-orm";
import sharp from "sharp";
import { roleMay } from "@/core/rights";
import { boardSurface, mostBoards, pictureOf, writeSvg } from "@/core/room";
import { drawingBoards } from "../../db/schema";
import { mainRoomOf } from "../../db/queries/journal";
import { surfaceActs } from "../../room";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, type Context } from "../ground/context";

interface DrawnBoard {
  /** those of the main room from 1 in the order that they were made, those of side rooms behind the last possible one */
  readonly number: number;
  readonly id: string;
  readonly title: string;
  readonly sideRoom: number | null;
}
const mostSideBoards = 400;

/** The boards of a date, by number. */
async function drawnBoards(context: Context, occurrenceId: string): Promise<readonly DrawnBoard[]> {
  const rows = await context.db
    .select({ id: drawingBoards.id, title: drawingBoards.title, sideRoom: drawingBoards.sideRoom })
    .from(drawingBoards)
    .where(eq(drawingBoards.occurrenceId, occurrenceId))
    .orderBy(asc(drawingBoards.createdAt), asc(drawingBoards.id))
    .limit(mostBoards + mostSideBoards);
  const [sides, mains] = [rows.filter((row) => row.sideRoom !== null), rows.filter((row) => row.sideRoom === null)];
  return [
    ...mains.map((row, i) => ({ ...row, number: i + 1 })),
    ...sides.map((row, i) => ({ ...row, number: mostBoards + i + 1 })),
  ];
}

/** What was drawn at a date, for whoever may have its files; else nothing. */
export async function boardsOfDate(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<readonly DrawnBoard[]> {
  const { actor } = await dateAccess(context, member, eventId, occurrenceId, "event.read");
  return roleMay(actor, "event.exports") ? drawnBoards(context, occurrenceId) : [];
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
  const board = (await drawnBoards(context, occurrenceId)).find((one) => one.number === number);
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
