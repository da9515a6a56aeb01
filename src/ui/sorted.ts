export interface Sorting {
  readonly column: string;
  readonly isDescending: boolean;
}
export type Comparable = string | number | null;

/** Rows in the order of one column; empty cells stay last whichever way it goes, equal ones keep their order. */
export function sorted<T>(rows: readonly T[], valueOf: (row: T) => Comparable, isDescending: boolean): readonly T[] {
  const compare = (a: Comparable, b: Comparable): number => {
    if (a === null || b === null) return a === b ? 0 : a === null ? 1 : -1;
    const order =
      typeof a === "number" && typeof b === "number"
        ? a - b
        : String(a).localeCompare(String(b), undefined, { numeric: true, sensitivity: "base" });
    return isDescending ? -order : order;
  };
  return [...rows].sort((a, b) => compare(valueOf(a), valueOf(b)));
}

/** The sorting after one more press on a column's head: up, down, up again. */
export const afterPress = (sorting: Sorting | null, column: string): Sorting => ({
  column,
  isDescending: sorting?.column === column ? !sorting.isDescending : false,
});
