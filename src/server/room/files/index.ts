import { asc, eq } from "drizzle-orm";
import { mostHandOuts } from "@/contracts";
import type { FileItem } from "@/core/room";
import type { Db } from "../../db/client";
import { handOuts } from "../../db/schema";
import type { RoomServer } from "../room-server";

/** The files of one date in their order. */
export async function loadFiles(db: Db, occurrenceId: string): Promise<ReadonlyMap<string, FileItem>> {
  const rows = await db
    .select()
    .from(handOuts)
    .where(eq(handOuts.occurrenceId, occurrenceId))
    .orderBy(asc(handOuts.position), asc(handOuts.createdAt))
    .limit(mostHandOuts);
  return new Map(
    rows.map(({ id, name, sizeBytes, isShown, takenCount, ticketId, position, mediaType }) => [
      id,
      { name, sizeBytes, isShown, takenCount, ticketId, position, isPicture: mediaType.startsWith("image/") },
    ]),
  );
}

export const filesServer: RoomServer = {
  wants: (body) => (body.type === "files.changed" ? [{ part: "files" }] : []),
};
