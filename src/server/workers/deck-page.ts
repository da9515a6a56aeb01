import { createCanvas, type Canvas } from "@napi-rs/canvas";
import type { PDFDocumentProxy, PDFPageProxy } from "pdfjs-dist/legacy/build/pdf.mjs";
import sharp from "sharp";
import { pageWidths, type MadePage } from "./deck-words";

const webpQuality = 82;
/** a page as tall as a scroll would be a picture that no memory holds */
const tallestTimesWidth = 4;

const isRightToLeft = /[\u0590-\u08FF\uFB1D-\uFDFF\uFE70-\uFEFC]/;

/** Letters as they are typed: presentation forms folded (NFKC), what a file keeps in its order on paper turned round. */
function readable(text: string, direction: string): string {
  const folded = text.normalize("NFKC");
  const isInOrderOfPaper =
    direction === "rtl" && isRightToLeft.test(folded) && /[\uFB50-\uFDFF\uFE70-\uFEFC]/.test(text);
  return isInOrderOfPaper ? [...folded].reverse().join("") : folded;
}

async function textOf(page: PDFPageProxy): Promise<string> {
  const { items } = await page.getTextContent();
  return items
    .map((item) => ("str" in item ? readable(item.str, item.dir) + (item.hasEOL ? "\n" : "") : ""))
    .join("")
    .replace(/[ \t]+\n/g, "\n")
    .trim();
}

async function notesOf(page: PDFPageProxy): Promise<string> {
  const annotations = (await page.getAnnotations()) as { subtype?: string; contentsObj?: { str?: string } }[];
  return annotations
    .filter((one) => one.subtype === "Text" || one.subtype === "FreeText")
    .map((one) => one.contentsObj?.str?.trim() ?? "")
    .filter((one) => one !== "")
    .join("\n\n");
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
    return { number, pictures, text: await textOf(page), notes: await notesOf(page) };
  } finally {
    page.cleanup();
  }
}
