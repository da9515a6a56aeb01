import { and, eq } from "drizzle-orm";
import { decks } from "../../db/schema";
import { notFound, type Context } from "../ground/context";
import { deckFile, pictureFile, textFile } from "./decks";

interface Part {
  readonly body: ReadableStream<Uint8Array>;
  readonly headers: Readonly<Record<string, string>>;
}
// what stands under an id never changes: any cache may keep it
const forGood = "public, max-age=31536000, immutable";

/** A deck's file, where people may take it with them. */
async function handOut(context: Context, deckId: string): Promise<Part> {
  const [deck] = await context.db
    .select()
    .from(decks)
    .where(and(eq(decks.id, deckId), eq(decks.isHandOut, true)));
  if (!deck) throw notFound("deck");
  const name = encodeURIComponent(`${deck.title}.pdf`);
  return {
    body: await context.storage.read(deckFile(deckId), null),
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `attachment; filename*=UTF-8''${name}`,
      "cache-control": "no-store",
    },
  };
}

/** One part of a page by its id, straight from the files: 2,000 screens turn at once, and none asks the database. */
export async function deckPart(context: Context, id: string, part: string): Promise<Part> {
  if (part === "file") return handOut(context, id);
  const kinds: Readonly<Record<string, readonly [name: string, type: string]>> = {
    "1600": [pictureFile(id, 1600), "image/webp"],
    "800": [pictureFile(id, 800), "image/webp"],
    text: [textFile(id), "text/plain; charset=utf-8"],
  };
  const kind = kinds[part];
  if (!kind) throw notFound("page");
  const [name, type] = kind;
  await context.storage.size(name).catch(() => {
    throw notFound("page");
  });
  return {
    body: await context.storage.read(name, null),
    headers: { "content-type": type, "cache-control": forGood },
  };
}
