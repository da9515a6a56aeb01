import { readFile } from "node:fs/promises";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import { parentPort, workerData } from "node:worker_threads";
import { getDocument } from "pdfjs-dist/legacy/build/pdf.mjs";
import { makePage } from "./deck-page";
import type { DeckWord } from "./deck-words";

/** What the thread is given: the file, and the page to begin with. */
export interface DeckJob {
  readonly path: string;
  readonly fromPage: number;
  readonly mostPages: number;
}
const say = (word: DeckWord) => parentPort!.postMessage(word);
const library = dirname(createRequire(import.meta.url).resolve("pdfjs-dist/package.json"));

async function make({ path, fromPage, mostPages }: DeckJob): Promise<void> {
  const document = await getDocument({
    data: new Uint8Array(await readFile(path)),
    // nothing of the file is evaluated, and nothing is fetched for it
    isEvalSupported: false,
    useSystemFonts: false,
    disableFontFace: true,
    standardFontDataUrl: `${join(library, "standard_fonts")}/`,
    cMapUrl: `${join(library, "cmaps")}/`,
    cMapPacked: true,
    wasmUrl: `${join(library, "wasm")}/`,
    verbosity: 0,
  }).promise;
  if (document.numPages > mostPages) return say({ kind: "failed", failure: "too-many-pages" });
  say({ kind: "pages", count: document.numPages });
  for (let number = fromPage; number <= document.numPages; number += 1) {
    try {
      say({ kind: "page", page: await makePage(document, number) });
    } catch {
      say({ kind: "page-failed", number });
    }
  }
}

await make(workerData as DeckJob).catch((error: unknown) =>
  say({ kind: "failed", failure: (error as Error).name === "PasswordException" ? "locked-pdf" : "broken-pdf" }),
);
