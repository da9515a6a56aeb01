import { PDFDocument, PDFName, PDFString, rgb, StandardFonts } from "pdf-lib";

export interface PageWish {
  readonly text: string;
  /** a note of the file's own, as slide programs export a presenter's notes */
  readonly note?: string;
}

/** A deck of plain pages, 16 to 9: a title, a filled shape, and notes as text annotations (ISO 32000-1 §12.5.6.4). */
export async function deckOf(pages: readonly PageWish[]): Promise<Uint8Array<ArrayBuffer>> {
  const file = await PDFDocument.create();
  const font = await file.embedFont(StandardFonts.Helvetica);
  for (const [i, { text, note }] of pages.entries()) {
    const page = file.addPage([960, 540]);
    page.drawRectangle({ x: 0, y: 0, width: 960, height: 540, color: rgb(0.96, 0.95, 0.92) });
    page.drawText(text, { x: 60, y: 420, size: 44, font, color: rgb(0.1, 0.12, 0.14) });
    page.drawRectangle({ x: 60, y: 60, width: 80 + 60 * (i % 8), height: 220, color: rgb(0.04, 0.36, 0.35) });
    if (!note) continue;
    const contents = { Type: "Annot", Subtype: "Text", Rect: [900, 500, 920, 520], Contents: PDFString.of(note) };
    page.node.set(PDFName.of("Annots"), file.context.obj([file.context.register(file.context.obj(contents))]));
  }
  return (await file.save()) as Uint8Array<ArrayBuffer>;
}

/** A file that asks for a password which nobody has (ISO 32000-1 §7.6.3: neither /O nor /U fits the empty one). */
export const lockedPdf = (): Uint8Array<ArrayBuffer> => {
  const key = "<" + "41".repeat(32) + ">";
  const parts = [
    "%PDF-1.4\n",
    "1 0 obj\n<< /Type /Catalog /Pages 2 0 R >>\nendobj\n",
    "2 0 obj\n<< /Type /Pages /Kids [3 0 R] /Count 1 >>\nendobj\n",
    "3 0 obj\n<< /Type /Page /Parent 2 0 R /MediaBox [0 0 960 540] >>\nendobj\n",
    `4 0 obj\n<< /Filter /Standard /V 1 /R 2 /O ${key} /U ${key} /P -4 >>\nendobj\n`,
  ];
  const offsets = parts.slice(1).map((_, i) => parts.slice(0, i + 1).join("").length);
  const body = parts.join("");
  const table = ["0000000000 65535 f \n", ...offsets.map((at) => `${String(at).padStart(10, "0")} 00000 n \n`)].join(
    "",
  );
  const trailer = `trailer\n<< /Size 5 /Root 1 0 R /Encrypt 4 0 R /ID [<01> <01>] >>\nstartxref\n${body.length}\n%%EOF\n`;
  return new TextEncoder().encode(`${body}xref\n0 5\n${table}${trailer}`) as Uint8Array<ArrayBuffer>;
};

export const streamOf = (bytes: Uint8Array<ArrayBuffer>): ReadableStream<Uint8Array> => new Blob([bytes]).stream();
