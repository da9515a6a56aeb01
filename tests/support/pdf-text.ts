import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";

/** What a PDF says, as a reader that knows nothing of us finds it. */
export async function textOfPdf(bytes: Uint8Array): Promise<string> {
  const file = await getDocument({ data: new Uint8Array(bytes), isEvalSupported: false, verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let number = 1; number <= file.numPages; number += 1) {
    const { items } = await (await file.getPage(number)).getTextContent();
    pages.push(items.map((item) => ("str" in item ? item.str : "")).join(" "));
  }
  return pages.join("\n");
}
