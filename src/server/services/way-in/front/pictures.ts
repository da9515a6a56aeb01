import sharp from "sharp";
import { and, eq, isNull } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import { eventPictures, events } from "../../../db/schema";
import { accessFor, type TeamMember } from "../../ground/access";
import { notFound, type Context } from "../../ground/context";

export const mostPictureBytes = 12_000_000;
/** Beyond this nobody needs a picture on a page, and reading it would take the server's memory. */
const mostPixels = 40_000_000;
const widestKept = 1600;
/** Name in the storage. */
export const pictureName = (id: string): string => `${id}.picture`;

/**
 * Keeps a picture. Whatever came is decoded and made anew as WebP, so that no script, no place and no
 * camera's data travels with it; what is no picture, or far too large, is refused before it is decoded.
 */
export async function keepPicture(
  context: Context,
  bytes: Uint8Array,
): Promise<{ id: string; width: number; height: number }> {
  if (bytes.byteLength > mostPictureBytes) throw new Refusal({ code: "file-too-large", limitBytes: mostPictureBytes });
  const format = await sharp(bytes, { limitInputPixels: mostPixels })
    .metadata()
    .catch(() => null);
  if (!format || !["jpeg", "png", "webp", "gif", "avif"].includes(format.format))
    throw new Refusal({ code: "bad-file", reason: "not-a-picture" });
  if (format.width * format.height > mostPixels) throw new Refusal({ code: "bad-file", reason: "too-many-pixels" });
  const made = await sharp(bytes, { limitInputPixels: mostPixels })
    .rotate()
    .resize({ width: widestKept, height: widestKept, fit: "inside", withoutEnlargement: true })
    .webp({ quality: 82 })
    .toBuffer({ resolveWithObject: true })
    .catch(() => {
      throw new Refusal({ code: "bad-file", reason: "not-a-picture" });
    });
  const id = context.ids.id();
  await context.storage.write(pictureName(id), new Blob([new Uint8Array(made.data)]).stream(), {
    maxBytes: mostPictureBytes,
    expectedBytes: made.data.byteLength,
  });
  return { id, width: made.info.width, height: made.info.height };
}

/** Takes a picture in for an event's look. */
export async function addPicture(
  context: Context,
  member: TeamMember,
  eventId: string,
  bytes: Uint8Array,
): Promise<{ id: string; width: number; height: number }> {
  const { event } = await accessFor(context, member, eventId, "event.plan");
  const row = { ...(await keepPicture(context, bytes)), organisationId: event.organisationId, eventId };
  await context.db.insert(eventPictures).values({ ...row, createdAt: context.clock.now() });
  return row;
}

/** A picture's bytes, WebP. Its name cannot be guessed; a deleted event's pictures are gone. */
export async function pictureBody(context: Context, id: string): Promise<ReadableStream<Uint8Array>> {
  const [row] = await context.db
    .select({ id: eventPictures.id })
    .from(eventPictures)
    .innerJoin(events, eq(events.id, eventPictures.eventId))
    .where(and(eq(eventPictures.id, id), isNull(events.deletedAt)));
  if (!row) throw notFound("picture");
  return context.storage.read(pictureName(row.id), null);
}

/** Whether a picture belongs to an event: what a look names is checked. */
export async function requireOwnPicture(context: Context, eventId: string, id: string | null): Promise<void> {
  if (id === null) return;
  const known = await context.db.$count(
    eventPictures,
    and(eq(eventPictures.id, id), eq(eventPictures.eventId, eventId)),
  );
  if (known === 0) throw notFound("picture");
}

/** A banner as a PNG no wider than it is shown on paper; null where its file is gone. */
export async function bannerBytes({ storage }: Pick<Context, "storage">, id: string): Promise<Uint8Array | null> {
  try {
    const bytes = Buffer.from(await new Response(await storage.read(pictureName(id), null)).arrayBuffer());
    return await sharp(bytes, { limitInputPixels: mostPixels }).resize({ width: widestKept }).png().toBuffer();
  } catch {
    return null;
  }
}
