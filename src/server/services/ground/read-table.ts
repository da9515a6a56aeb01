import { parse } from "csv-parse/sync";
import { Refusal } from "@/core/shared";
import { delimiterOf, unguardCell } from "./delimited";

export interface TableRow {
  /** where the row begins in the file, the header being line 1 */
  readonly line: number;
  readonly cells: readonly string[];
}
export interface ReadTable {
  readonly header: readonly string[];
  readonly rows: readonly TableRow[];
}

const lineBreaks = (text: string): number => (text.match(/\r\n|\n|\r/g) ?? []).length;

/**
 * A delimited text (RFC 4180): comma, semicolon or tab found from the header, formula guards taken off, lines counted
 * also through quoted cells.
 * @throws bad-file `empty`, `broken-quotes` with the line in which the open quote's row begins, `not-a-table`
 */
export function readTable(text: string, mostRows: number): ReadTable {
  const first = text.split(/\r?\n/, 1)[0] ?? "";
  if (first.trim() === "") throw new Refusal({ code: "bad-file", reason: "empty" });
  let ended = 0;
  let records: { record: string[]; raw: string; info: { lines: number } }[];
  try {
    records = parse(text, {
      delimiter: delimiterOf(first),
      info: true,
      raw: true,
      skip_empty_lines: true,
      relax_column_count: true,
      max_record_size: 200_000,
      to: mostRows + 2,
      on_record: (record: string[], { lines }: { lines: number }) => {
        ended = lines;
        return record;
      },
    }) as never;
  } catch (error) {
    const isEndless = (error as { code?: string }).code === "CSV_MAX_RECORD_SIZE";
    throw new Refusal({ code: "bad-file", reason: isEndless ? "not-a-table" : "broken-quotes", line: ended + 1 });
  }
  if (records.length < 2) throw new Refusal({ code: "bad-file", reason: "empty" });
  if (records.length > mostRows + 1) throw new Refusal({ code: "too-many-rows", most: mostRows });
  return {
    header: records[0]!.record.map((cell) => cell.trim()),
    rows: records.slice(1).map(({ record, raw, info }) => ({
      line: info.lines - lineBreaks(raw.replace(/^[\r\n]+|[\r\n]+$/g, "")),
      cells: record.map((cell) => unguardCell(cell)),
    })),
  };
}
