import { and, eq, lt, or } from "drizzle-orm";
import { dayMs } from "@/core/time";
import type { Db } from "../db/client";
import { passedPieces } from "../db/schema";
import type { Storage } from "../files/storage";
import type { Maker } from "./lease";
import { readBytes } from "./piece-files";

/** Whoever has not fetched a piece by then is too far behind for it. */
const pieceWaitsMs = 60_000;
/** What reads pieces is asked for by a process that begins to follow in the middle of the hour. */
const initWaitsMs = dayMs;

export interface PassedPiece {
  readonly name: string;
  readonly isInit: boolean;
  readonly bytes: Uint8Array;
}

/** Lays down what could not be written to the files, for the viewers of other processes; old ones make room. */
export async function passOn(db: Db, maker: Maker, piece: PassedPiece, now: number): Promise<void> {
  const { roomId, organisationId } = maker;
  const row = { ...piece, roomId, organisationId, at: now };
  const isOld = (isInit: boolean, waitsMs: number) =>
    and(eq(passedPieces.isInit, isInit), lt(passedPieces.at, now - waitsMs));
  await db.delete(passedPieces).where(or(isOld(false, pieceWaitsMs), isOld(true, initWaitsMs)));
  await db.insert(passedPieces).values(row).onConflictDoNothing();
}

/** The bytes of a piece, or of what reads it: from its file, or as it was passed on. @throws where there is neither */
export async function bytesOf(db: Db, storage: Storage, name: string): Promise<Uint8Array> {
  try {
    return await readBytes(storage, name);
  } catch (error) {
    const [passed] = await db
      .select({ bytes: passedPieces.bytes })
      .from(passedPieces)
      .where(eq(passedPieces.name, name));
    if (!passed) throw error;
    return passed.bytes;
  }
}
