import { randomUUID } from "node:crypto";
import { handOuts } from "@/server/db/schema";
import type { Action } from "@/core/rights";
import { importEntries, previewEntries } from "@/server/services/afterwards/import-entries";
import type { TeamMember } from "@/server/services/ground/access";
import { boardFromFile } from "@/server/services/hour/boards";
import { addHandOut } from "@/server/services/hour/hand-outs";
import type { MadeEvent, World } from "./world";

/** Acts that a route of their own takes in: files come as a request's body. */
export const routeActs = (
  { context, cache }: World,
  { eventId, occurrenceId }: MadeEvent,
): Readonly<Record<string, { needs: Action; call: (member: TeamMember) => Promise<unknown> }>> => ({
  "upload/board": {
    needs: "desk.open",
    call: (member) =>
      boardFromFile(context, cache, member, { eventId, occurrenceId }, { title: "", bytes: new Uint8Array() }),
  },
  "upload/hand-out": {
    needs: "event.run-sheet",
    call: (member) => addHandOut(context, { member }, occurrenceId, "tides.txt", new Blob(["x"]).stream(), 1),
  },
  "upload/entries": {
    needs: "event.import-entries",
    call: (member) => importEntries(context, member, eventId, occurrenceId, new Uint8Array()),
  },
  "upload/entries?preview": {
    needs: "event.import-entries",
    call: (member) => previewEntries(context, member, eventId, occurrenceId, new Uint8Array(), null),
  },
});

/** A file for the audience of the event's date, as the table has it. */
export async function someHandOut({ context, organisationId }: World, { occurrenceId }: MadeEvent): Promise<string> {
  const id = randomUUID();
  const about = { id, organisationId, occurrenceId, name: "tides.txt", mediaType: "text/plain", sizeBytes: 1 };
  await context.db.insert(handOuts).values({ ...about, position: 1, createdAt: context.clock.now() });
  return id;
}
