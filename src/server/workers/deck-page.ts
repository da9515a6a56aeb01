import { createCanvas, type Canvas } from "@napi-rs/canvas";
import type { PDFDocumentProxy, PDFPageProxy } from "pdfjs-dist/legacy/build/pdf.mjs";
import sharp from "sharp";
import { pageWidths, type MadePage } from "./deck-words";
import { pageText } from "./page-text";

const webpQuality = 82;
/** a page as tall as a scroll would be a picture that no memory holds */
const tallestTimesWidth = 4;

async function textOf(page: PDFPageProxy): Promise<string> {
  const { items } = await page.getTextContent();
  return pageText(
    items.flatMap((item) =>
      "str" in item ? [{ str: item.str, dir: item.dir, hasEOL: item.hasEOL, y: item.transform[5] as number }] : [],
    ),
  );
}

async function notesOf(page: PDFPageProxy): Promise<string> {
  const annotations = (await page.getAnnotations()) as { subtype?: string; contentsObj?: { str?: string } }[];
  return annotations
    .filter((one) => one.subtype === "Text" || one.subtype === "FreeText")
    .map((one) => one.contentsObj?.str?.trim() ?? "")
    .filter((one) => one !== "")
    .join("\n\n");
}

/** Names of fonts that the file only mentions, without the mark of a subset (ISO 32000-1, 9.6.4). */
function missingFontsOf(page: PDFPageProxy): readonly string[] {
  // what a page was drawn with is kept here by the library, fonts among much else
  const drawnWith = page.commonObjs as Iterable<readonly [string, { missingFile?: boolean; name?: string } | null]>;
  const missing = [...drawnWith].flatMap(([, one]) => (one?.missingFile && one.name ? [one.name] : []));
  return [...new Set(missing.map((name) => name.replace(/^[A-Z]{6}\+/, "")))];
}

/** One page as pictures, text and notes. Links and scripts in it are never run: it is drawn, nothing else. */
export async function makePage(document: PDFDocumentProxy, number: number): Promise<MadePage> {
  const page = await document.getPage(number);
  try {
    const [width] = pageWidths;
    const natural = page.getViewport({ scale: 1 });
    const scale = Math.min(width / natural.width, (width * tallestTimesWidth) / natural.height);
    const viewport = page.getViewport({ scale });
    const canvas: Canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
    await page.render({ canvas: canvas as unknown as HTMLCanvasElement, viewport, annotationMode: 0 }).promise;
    const drawn = sharp(canvas.data(), { raw: { width: canvas.width, height: canvas.height, channels: 4 } });
    const pictures = await Promise.all(
      pageWidths.map((one) =>
        drawn
          .clone()
          .flatten({ background: "#ffffff" })
          .resize({ width: one, withoutEnlargement: true })
          .webp({ quality: webpQuality })
          .toBuffer(),
      ),
    );
    return {
      number,
      pictures,
      text: await textOf(page),
      notes: await notesOf(page),
      missingFonts: missingFontsOf(page),
    };
  } finally {
    page.cleanup();
  }
}
