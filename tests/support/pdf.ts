import { randomBytes } from "node:crypto";
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

/** A page that is written in a font which the file only names (ISO 32000-1 §9.8: a descriptor without a font file). */
export async function deckWithoutItsFont(name: string): Promise<Uint8Array<ArrayBuffer>> {
  const file = await PDFDocument.create();
  const page = file.addPage([960, 540]);
  const { context } = file;
  const numbers = { Flags: 32, FontBBox: [0, -200, 1000, 900], ItalicAngle: 0, Ascent: 800, Descent: -200, StemV: 80 };
  const descriptor = context.obj({ Type: "FontDescriptor", FontName: name, CapHeight: 700, ...numbers });
  const widths = { FirstChar: 32, LastChar: 126, Widths: Array<number>(95).fill(600), Encoding: "WinAnsiEncoding" };
  const about = { Type: "Font", Subtype: "TrueType", BaseFont: name, FontDescriptor: context.register(descriptor) };
  page.node.setFontDictionary(PDFName.of("F9"), context.register(context.obj({ ...about, ...widths })));
  const words = context.flateStream("BT /F9 44 Tf 60 300 Td (Low water) Tj ET");
  page.node.addContentStream(context.register(words));
  return (await file.save()) as Uint8Array<ArrayBuffer>;
}

/** A deck that runs a script when it is opened, and one at every page (ISO 32000-1 §12.6.4.16). */
export async function deckWithScript(): Promise<Uint8Array<ArrayBuffer>> {
  const file = await PDFDocument.load(await deckOf([{ text: "Looks like any other" }]));
  const act = file.context.obj({
    Type: "Action",
    S: "JavaScript",
    JS: PDFString.of("app.alert('run'); while(true){}"),
  });
  file.catalog.set(PDFName.of("OpenAction"), file.context.register(act));
  file.getPage(0).node.set(PDFName.of("AA"), file.context.obj({ O: file.context.register(act) }));
  return (await file.save()) as Uint8Array<ArrayBuffer>;
}

/** A deck made as large as wished by something that does not shrink, carried along in it. */
export async function deckOfBytes(bytes: number): Promise<Uint8Array<ArrayBuffer>> {
  const file = await PDFDocument.load(await deckOf([{ text: "Heavy" }, { text: "Heavier" }]));
  const load = file.context.stream(randomBytes(bytes));
  file.catalog.set(PDFName.of("Cargo"), file.context.register(load));
  return (await file.save({ useObjectStreams: false })) as Uint8Array<ArrayBuffer>;
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
