import { stringify } from "csv-stringify/sync";

export type Cell = string | number | null;

const isPlainNumber = (text: string): boolean => /^[+-]?\d+([.,]\d+)?$/.test(text);

/** A cell that a spreadsheet would take for a formula is written with a leading apostrophe (rule 9); one that looks guarded already too, so that reading gives back what was written. */
export function guardCell(cell: Cell): string {
  if (cell === null) return "";
  const text = String(cell);
  return /^'*[=+\-@\t\r]/.test(text) && !isPlainNumber(text) ? `'${text}` : text;
}

/** Takes that guard off again. */
export const unguardCell = (text: string): string => (/^'+[=+\-@\t\r]/.test(text) ? text.slice(1) : text);

/** RFC 4180: UTF-8 with byte-order mark, CRLF, header row, quotes doubled. */
export function csvText(header: readonly string[], rows: readonly (readonly Cell[])[]): string {
  return stringify([[...header], ...rows.map((row) => row.map(guardCell))], { bom: true, record_delimiter: "\r\n" });
}

/** Further rows of a file that is written piece by piece, behind `csvText`'s header. */
export const csvRows = (rows: readonly (readonly Cell[])[]): string =>
  stringify(
    rows.map((row) => row.map(guardCell)),
    { record_delimiter: "\r\n" },
  );

/** Comma, semicolon or tab: the one that parts the header row into most cells (rule 9). */
export const delimiterOf = (header: string): string =>
  [",", ";", "\t"].reduce((best, one) => (header.split(one).length > header.split(best).length ? one : best));

/** Minutes with up to two decimals. */
export const minutesCell = (minutes: number): number => Math.round(minutes * 100) / 100;
