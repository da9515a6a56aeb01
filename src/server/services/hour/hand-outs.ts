import { and, asc, eq, like, sql } from "drizzle-orm";
import { fileTypeFromBuffer } from "file-type";
import { handOutChange, handOutName, mostHandOutBytes, mostHandOuts } from "@/contracts";
import type { FileItem } from "@/core/room";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { idArray } from "../../db/queries/any-of";
import { handOuts, handOutTakings, occurrences } from "../../db/schema";
import { loadFiles } from "../../room";
import { audit } from "../ground/audit";
import { notFound, parse, wrongInput, type Context } from "../ground/context";
import { appendRows } from "../ground/room/commands";
import { bytesToSpare } from "../ground/store-room";
import { ticketAmong } from "../way-in/tickets";
import { addDeck } from "./decks";
import { placeOf, type Bringer, type BringPlace } from "./bring";

type HandOut = typeof handOuts.$inferSelect;

/** Name in the storage. */
export const handOutFile = (id: string): string => `${id}.handout`;

/** Programs are not for the audience, whatever they are called. */
const programs: ReadonlySet<string> = new Set([
  "application/x-msdownload",
  "application/x-elf",
  "application/x-mach-binary",
  "application/x-executable",
  "application/vnd.microsoft.portable-executable",
  "application/java-vm",
  "application/x-apple-diskimage",
  "application/x-ms-shortcut",
]);
const programNames = /\.(exe|com|bat|cmd|ps1|vbs|js|jse|wsf|msi|scr|jar|app|sh|lnk|hta)$/i;
/** Kinds whose content tells what they are: a name that says one of these must be one. */
const tellingNames: Readonly<Record<string, RegExp>> = {
  pdf: /^application\/pdf$/,
  png: /^image\/png$/,
  jpg: /^image\/jpeg$/,
  jpeg: /^image\/jpeg$/,
  zip: /^application\/zip$/,
  mp3: /^audio\/mpeg$/,
  mp4: /^video\//,
};
/** What a browser may show by itself; all else is only taken away. */
const harmless: ReadonlySet<string> = new Set([
  "application/pdf",
  "image/png",
  "image/jpeg",
  "image/webp",
  "audio/mpeg",
  "video/mp4",
]);

/** What a file is by its content. @throws bad-file for programs, and for one that is not what its name says */
async function kindOf(context: Context, id: string, name: string): Promise<string> {
  const found = await fileTypeFromBuffer(await context.storage.head(handOutFile(id), 4100));
  if (programNames.test(name) || (found && programs.has(found.mime)))
    throw new Refusal({ code: "bad-file", reason: "a-program" });
  const wanted = tellingNames[/\.([a-z0-9]+)$/i.exec(name)?.[1]?.toLowerCase() ?? ""];
  if (wanted && !wanted.test(found?.mime ?? "")) throw new Refusal({ code: "bad-file", reason: "not-as-named" });
  return found && harmless.has(found.mime) ? found.mime : "application/octet-stream";
}

/** Every screen of the date reads its files again. @param tx holds the room's lock until it ends */
const tell = (context: Context, tx: Db, occurrenceId: string) =>
  appendRows(context, tx, occurrenceId, () => [{ type: "files.changed" }], "system");

const noted = (context: Context, tx: Db, place: BringPlace, action: "hand-out.add" | "hand-out.remove") =>
  audit(context, tx, {
    organisationId: place.organisationId,
    actorId: place.actorId,
    action,
    eventId: place.eventId,
    occurrenceId: place.occurrenceId,
  });

/** Takes a file for the audience, whole or not at all; what somebody of the stage shares is shown at once. */
export async function addHandOut(
  context: Context,
  by: Bringer,
  occurrenceId: string,
  rawName: unknown,
  body: ReadableStream<Uint8Array>,
  expectedBytes: number | null,
): Promise<string> {
  const place = await placeOf(context, by, occurrenceId, "hand-out.bring");
  const name = parse(handOutName, rawName);
  if ((await context.db.$count(handOuts, eq(handOuts.occurrenceId, occurrenceId))) >= mostHandOuts)
    throw wrongInput("file", "too-many-files", { most: mostHandOuts });
  if (expectedBytes !== null && expectedBytes > mostHandOutBytes)
    throw new Refusal({ code: "file-too-large", limitBytes: mostHandOutBytes });
  const { organisationId, ownTicketId: ticketId } = place;
  const maxBytes = await bytesToSpare(context, organisationId, mostHandOutBytes, expectedBytes);
  const id = context.ids.id();
  const sizeBytes = await context.storage.write(handOutFile(id), body, { maxBytes, expectedBytes });
  try {
    const mediaType = await kindOf(context, id, name);
    await context.db.transaction(async (tx) => {
      await tell(context, tx, occurrenceId);
      // the room's lock is held: no two take the same place
      const [last] = await tx
        .select({ position: sql<number>`coalesce(max(${handOuts.position}), 0)::int` })
        .from(handOuts)
        .where(eq(handOuts.occurrenceId, occurrenceId));
      const row = {
        id,
        organisationId,
        occurrenceId,
        name,
        mediaType,
        sizeBytes,
        ticketId,
        isShown: ticketId !== null,
      };
      await tx.insert(handOuts).values({ ...row, position: last!.position + 1, createdAt: context.clock.now() });
      await noted(context, tx, place, "hand-out.add");
    });
    return id;
  } catch (error) {
    await context.storage.remove(handOutFile(id));
    throw error;
  }
}

async function changeable(context: Context, by: Bringer, id: string): Promise<{ file: HandOut; place: BringPlace }> {
  const [file] = await context.db.select().from(handOuts).where(eq(handOuts.id, id));
  if (!file) throw notFound("file");
  const place = await placeOf(context, by, file.occurrenceId, "hand-out.bring");
  if (place.ownTicketId !== null && place.ownTicketId !== file.ticketId) throw notFound("file");
  return { file, place };
}

/** Shows a file to the audience or hides it, or moves it by one in the list. */
export async function changeHandOut(context: Context, by: Bringer, id: string, rawChange: unknown): Promise<void> {
  const change = parse(handOutChange, rawChange);
  const { file, place } = await changeable(context, by, id);
  await context.db.transaction(async (tx) => {
    await tell(context, tx, place.occurrenceId);
    if ("isShown" in change) {
      await tx.update(handOuts).set({ isShown: change.isShown }).where(eq(handOuts.id, id));
      return;
    }
    const all = [...(await loadFiles(tx, file.occurrenceId)).keys()];
    const at = all.indexOf(id);
    const to = at + change.step;
    if (at < 0 || to < 0 || to >= all.length) return;
    [all[at], all[to]] = [all[to]!, all[at]!];
    await tx.execute(sql`
      update hand_outs h set position = o.place from unnest(${idArray(all)}) with ordinality as o(id, place) where h.id = o.id`);
  });
}

/** Takes a file away for good. */
export async function removeHandOut(context: Context, by: Bringer, id: string): Promise<void> {
  const { place } = await changeable(context, by, id);
  await context.db.transaction(async (tx) => {
    await tx.delete(handOuts).where(eq(handOuts.id, id));
    await tell(context, tx, place.occurrenceId);
    await noted(context, tx, place, "hand-out.remove");
  });
  await context.storage.remove(handOutFile(id));
}

/** The files of a date in their order, for the team. */
export async function dateHandOuts(context: Context, occurrenceId: string): Promise<Record<string, FileItem>> {
  return Object.fromEntries(await loadFiles(context.db, occurrenceId));
}

export interface ShownFile {
  readonly id: string;
  readonly name: string;
  readonly sizeBytes: number;
}
/** What the audience of a date sees: at the ticket, in the house, on demand. */
export const shownHandOuts = (context: Context, occurrenceId: string): Promise<readonly ShownFile[]> =>
  context.db
    .select({ id: handOuts.id, name: handOuts.name, sizeBytes: handOuts.sizeBytes })
    .from(handOuts)
    .where(and(eq(handOuts.occurrenceId, occurrenceId), eq(handOuts.isShown, true)))
    .orderBy(asc(handOuts.position))
    .limit(mostHandOuts);

/** A file that goes out: its bytes, and what a browser is told of them. */
interface Sent {
  readonly body: ReadableStream<Uint8Array>;
  readonly headers: Readonly<Record<string, string>>;
}
const sent = async (context: Context, file: typeof handOuts.$inferSelect, told: Sent["headers"]): Promise<Sent> => ({
  body: await context.storage.read(handOutFile(file.id), null),
  headers: {
    "content-type": file.mediaType,
    "content-length": String(file.sizeBytes),
    "x-content-type-options": "nosniff",
    ...told,
  },
});
/** Shown to the room, of an event that still stands. */
const isOut = (id: string) =>
  and(
    eq(handOuts.id, id),
    eq(handOuts.isShown, true),
    sql`exists (select 1 from ${occurrences} o join events e on e.id = o.event_id where o.id = ${handOuts.occurrenceId} and e.deleted_at is null)`,
  );

/** A picture that is read together: looked at in the room, not taken. The id is the key, as above. */
export async function showPicture(context: Context, id: string): Promise<Sent> {
  const [file] = await context.db
    .select()
    .from(handOuts)
    .where(and(isOut(id), like(handOuts.mediaType, "image/%")));
  if (!file) throw notFound("file");
  return sent(context, file, { "cache-control": "private, max-age=600" });
}

/** The pages of a PDF among the files, as slides: what everybody reads in step page by page. */
export async function handOutAsDeck(context: Context, by: Bringer, id: string, language: string): Promise<string> {
  const { file } = await changeable(context, by, id);
  if (file.mediaType !== "application/pdf") throw new Refusal({ code: "bad-file", reason: "not-a-pdf" });
  const title = file.name.replace(/\.pdf$/i, "").slice(0, 160);
  const body = await context.storage.read(handOutFile(id), null);
  return addDeck(context, by, file.occurrenceId, { title, language }, body, file.sizeBytes);
}

/** The first time that somebody with a ticket of the event took it; whoever holds none stays unknown. */
async function noteTaker(context: Context, file: HandOut, tokens: readonly string[]): Promise<void> {
  const { id: handOutId, occurrenceId, organisationId } = file;
  const [date] = await context.db
    .select({ eventId: occurrences.eventId })
    .from(occurrences)
    .where(eq(occurrences.id, occurrenceId));
  const isOfDate = (ticket: { readonly occurrenceId: string | null }) =>
    ticket.occurrenceId === null || ticket.occurrenceId === occurrenceId;
  const ticket = date && (await ticketAmong(context, date.eventId, tokens, isOfDate));
  if (!ticket) return;
  const row = { handOutId, ticketId: ticket.id, organisationId, at: context.clock.now() };
  await context.db.insert(handOutTakings).values(row).onConflictDoNothing();
}

/**
 * A file that is shown, taken once more. The id is the key: nobody can guess it.
 * @param tokens links that the browser came in by: one of this event says who took it
 */
export async function takeHandOut(context: Context, id: string, tokens: readonly string[] = []): Promise<Sent> {
  const [file] = await context.db
    .update(handOuts)
    .set({ takenCount: sql`${handOuts.takenCount} + 1` })
    .where(isOut(id))
    .returning();
  if (!file) throw notFound("file");
  await noteTaker(context, file, tokens);
  return sent(context, file, {
    "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`,
    "cache-control": "no-store",
  });
}
