import { and, asc, eq, isNull, sql, type SQL } from "drizzle-orm";
import type { PgColumn } from "drizzle-orm/pg-core";
import { recordings } from "../../db/schema";
import type { Context } from "../ground/context";
import type { RecordingRow } from "./own-recording";

/** A sweep makes so many at most: each takes a second or less. */
const mostAtOnce = 20;

/** The file of a recording that is watched: of a cut one, what it came to. */
export const servedFile = sql`coalesce(${recordings.editedFile}, ${recordings.fileName})`;

interface Sweep {
  /** of which file the last one was made, or tried */
  readonly madeOf: PgColumn;
  /** which recordings alone */
  readonly only?: SQL;
  /** @returns false: none can be made now, the others wait as well */
  readonly make: (recording: RecordingRow) => Promise<boolean>;
  /** what is logged of one that failed */
  readonly failed: string;
}

/**
 * Makes what stands beside recordings of what is watched of them: where there is none yet, or it is of another file.
 * What fails concerns no recording, and holds up no other. @returns how many were tried
 */
export async function sweepServed(context: Context, { madeOf, only, make, failed }: Sweep): Promise<number> {
  const isReady = and(eq(recordings.state, "ready"), eq(recordings.editState, "none"), isNull(recordings.deletedAt));
  const waiting = await context.db
    .select()
    .from(recordings)
    .where(and(isReady, only, sql`${madeOf} is distinct from ${servedFile}`))
    .orderBy(asc(recordings.uploadedAt))
    .limit(mostAtOnce);
  for (const recording of waiting) {
    const goesOn = await make(recording).catch((error: unknown) => {
      context.log.error(failed, error, { recordingId: recording.id });
      return true;
    });
    if (!goesOn) return 0;
  }
  return waiting.length;
}
