import { parse } from "csv-parse/sync";
import { groupBy } from "../../src/core/shared";
import { textInZip } from "../../tests/support/zip";

export type Row = Readonly<Record<string, string>>;
export const rowsInZip = (zip: Buffer, file: string): Row[] =>
  parse(textInZip(zip, file), { bom: true, columns: true }) as Row[];

/** Gaps up to this long are no absence (rule 13). */
const closedGapMs = 30_000;
type Span = readonly [from: number, to: number];
const spanOf = (row: Row, from: string, to: string): Span => [Date.parse(row[from]!), Date.parse(row[to]!)];

/** Minutes of one person within the show, from an archive's rows alone: written again here, not read from the core. */
function minutesWithin(entries: readonly Span[], show: readonly Span[]): number {
  const joined: [number, number][] = [];
  for (const [from, to] of entries.toSorted((a, b) => a[0] - b[0])) {
    const last = joined.at(-1);
    if (last && from - last[1] <= closedGapMs) last[1] = Math.max(last[1], to);
    else joined.push([from, to]);
  }
  let ms = 0;
  for (const [from, to] of joined)
    for (const [up, down] of show) ms += Math.max(0, Math.min(to, down) - Math.max(from, up));
  return ms / 60_000;
}

/** Each person's minutes and the show's, computed from what an archive holds. */
export function attendanceByHand(zip: Buffer): {
  readonly show: number;
  readonly minutes: ReadonlyMap<string, number>;
} {
  const show = rowsInZip(zip, "show.csv")
    .filter((row) => row["what"] === "show")
    .map((row) => spanOf(row, "from", "to"));
  const entries = groupBy(rowsInZip(zip, "entries.csv"), (row) => row["person"]!);
  const minutes = new Map(
    [...entries].map(([person, rows]) => [
      person,
      minutesWithin(
        rows.map((row) => spanOf(row, "in", "out")),
        show,
      ),
    ]),
  );
  return { show: show.reduce((sum, [from, to]) => sum + to - from, 0) / 60_000, minutes };
}
