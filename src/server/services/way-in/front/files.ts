import { and, asc, eq } from "drizzle-orm";
import { fileTypeFromBuffer } from "file-type";
import { eventFiles } from "../../../db/schema";
import { accessFor, type TeamMember } from "../../ground/access";
import { audit } from "../../ground/audit";
import { notFound, wrongInput, type Context } from "../../ground/context";
import { bytesToSpare } from "../../ground/store-room";

export const mostFileBytes = 50_000_000;
const mostFiles = 20;
/** Name in the storage. */
export const fileName = (id: string): string => `${id}.file`;

export interface VisitorFile {
  readonly id: string;
  readonly name: string;
  readonly sizeBytes: number;
}

/** Kinds that a browser would run are given out as plain bytes. */
const plain = "application/octet-stream";
const shownKinds: ReadonlySet<string> = new Set([
  "application/pdf",
  "image/png",
  "image/jpeg",
  "image/webp",
  "audio/mpeg",
  "video/mp4",
]);

/** A file for visitors, streamed to disk whole or not at all. */
export async function addFile(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawName: string,
  body: ReadableStream<Uint8Array>,
  expectedBytes: number | null,
): Promise<VisitorFile> {
  const { event } = await accessFor(context, member, eventId, "event.plan");
  const name = rawName
    .replace(/[\u0000-\u001f\u007f/\\]+/g, " ")
    .trim()
    .slice(0, 160);
  if (name === "") throw wrongInput("name", "file-unnamed");
  if ((await context.db.$count(eventFiles, eq(eventFiles.eventId, eventId))) >= mostFiles)
    throw wrongInput("file", "too-many-files", { most: mostFiles });
  const id = context.ids.id();
  const maxBytes = await bytesToSpare(context, event.organisationId, mostFileBytes, expectedBytes);
  const sizeBytes = await context.storage.write(fileName(id), body, { maxBytes, expectedBytes });
  const found = await fileTypeFromBuffer(await context.storage.head(fileName(id), 4100));
  const mediaType = found && shownKinds.has(found.mime) ? found.mime : plain;
  await context.db.insert(eventFiles).values({
    id,
    organisationId: event.organisationId,
    eventId,
    name,
    mediaType,
    sizeBytes,
    createdAt: context.clock.now(),
  });
  await audit(context, context.db, {
    organisationId: event.organisationId,
    actorId: member.userId,
    action: "file.add",
    eventId,
  });
  return { id, name, sizeBytes };
}

export const filesOf = async (context: Context, eventId: string): Promise<readonly VisitorFile[]> =>
  context.db
    .select({ id: eventFiles.id, name: eventFiles.name, sizeBytes: eventFiles.sizeBytes })
    .from(eventFiles)
    .where(eq(eventFiles.eventId, eventId))
    .orderBy(asc(eventFiles.createdAt))
    .limit(mostFiles);

/** One file of an event with its bytes. */
export async function fileBody(
  context: Context,
  eventId: string,
  id: string,
): Promise<{ name: string; mediaType: string; body: ReadableStream<Uint8Array> }> {
  const [row] = await context.db
    .select()
    .from(eventFiles)
    .where(and(eq(eventFiles.id, id), eq(eventFiles.eventId, eventId)));
  if (!row) throw notFound("file");
  return { name: row.name, mediaType: row.mediaType, body: await context.storage.read(fileName(row.id), null) };
}

export async function removeFile(context: Context, member: TeamMember, eventId: string, id: string): Promise<void> {
  await accessFor(context, member, eventId, "event.plan");
  const gone = await context.db
    .delete(eventFiles)
    .where(and(eq(eventFiles.id, id), eq(eventFiles.eventId, eventId)))
    .returning({ id: eventFiles.id });
  if (gone.length > 0) await context.storage.remove(fileName(id));
}
