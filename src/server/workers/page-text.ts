/** A piece of text as the PDF library gives it: within itself in reading order, pieces by where they stand. */
export interface TextPiece {
  readonly str: string;
  readonly dir: string;
  /** line breaks behind it */
  readonly hasEOL: boolean;
  /** of its baseline, in the page's units */
  readonly y: number;
}

/** Hebrew, Arabic and their presentation forms (Unicode blocks). */
const isRightToLeft = /[\u0590-\u08FF\uFB1D-\uFDFF\uFE70-\uFEFC]/;
const isLetter = /\p{L}/u;

/** Which way a piece is read; null for what has no direction of its own, a space for one. */
const directionOf = ({ str }: TextPiece): "rtl" | "ltr" | null =>
  isRightToLeft.test(str) ? "rtl" : /[\p{L}\p{N}]/u.test(str) ? "ltr" : null;

/**
 * Runs of one direction in a right-to-left line. What has none goes with its neighbours where they agree, else with the
 * line (Unicode Standard Annex 9, rules N1 and N2).
 */
function runsOf(line: readonly TextPiece[]): { readonly isRtl: boolean; readonly pieces: TextPiece[] }[] {
  const strong = line.map(directionOf);
  const runs: { isRtl: boolean; pieces: TextPiece[] }[] = [];
  for (const [i, piece] of line.entries()) {
    const before = strong.slice(0, i).findLast((one) => one !== null);
    const after = strong.slice(i + 1).find((one) => one !== null);
    const isRtl = (strong[i] ?? (before === "ltr" && after === "ltr" ? "ltr" : "rtl")) === "rtl";
    const last = runs.at(-1);
    if (last && last.isRtl === isRtl) last.pieces.push(piece);
    else runs.push({ isRtl, pieces: [piece] });
  }
  return runs;
}

/** One line in reading order: pieces of a right-to-left line come from the left of the paper, so they are turned round. */
function lineText(line: readonly TextPiece[]): string {
  const text = line.map((piece) => piece.str).join("");
  const letters = [...text].filter((one) => isLetter.test(one));
  const isRtlLine = letters.filter((one) => isRightToLeft.test(one)).length * 2 > letters.length;
  if (!isRtlLine) return text;
  return runsOf(line)
    .reverse()
    .flatMap(({ isRtl, pieces }) => (isRtl ? pieces.reverse() : pieces))
    .map((piece) => piece.str)
    .join("");
}

/**
 * The text of a page in reading order, a line for each line of the page; presentation forms become the letters that
 * they are forms of (NFKC, Unicode Standard Annex 15).
 */
export function pageText(pieces: readonly TextPiece[]): string {
  const lines: TextPiece[][] = [[]];
  for (const piece of pieces) {
    const line = lines.at(-1)!;
    // some programs end no line by a word of its own: the baseline says so
    const isLower = line.length > 0 && piece.str.trim() !== "" && Math.abs(line[0]!.y - piece.y) > 4;
    if (isLower) lines.push([piece]);
    else line.push(piece);
    if (piece.hasEOL) lines.push([]);
  }
  return lines
    .map((line) => lineText(line).normalize("NFKC").trim())
    .filter((line) => line !== "")
    .join("\n");
}
