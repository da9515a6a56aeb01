import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { notFound } from "@/server/services/ground/context";
import { answer } from "../../../../_lib/request";

/** Languages in which emoji have names here; others read the English ones. */
const locales = new Set(["en", "de", "fr", "es", "pt"]);
const files = new Set(["data.json", "messages.json"]);

/** The names of emoji (Unicode CLDR, by emojibase): they ship with the product, nothing is fetched from elsewhere. */
export function GET(
  _request: Request,
  { params }: { params: Promise<{ locale: string; file: string }> },
): Promise<Response> {
  return answer(async () => {
    const { locale, file } = await params;
    if (!locales.has(locale) || !files.has(file)) throw notFound("address");
    const body = await readFile(join(process.cwd(), "node_modules/emojibase-data", locale, file));
    return new Response(new Uint8Array(body), {
      headers: {
        "content-type": "application/json",
        "cache-control": "public, max-age=604800",
        "x-content-type-options": "nosniff",
      },
    });
  });
}
