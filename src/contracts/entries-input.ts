import { z } from "zod";

const fields = ["person", "name", "email", "role", "device", "in", "out"] as const;

/** Which column of a file of entries holds what; null: left out. */
export const entryMappingInput = z.array(z.enum(fields).nullable()).max(100);

/** How a file of entries would be read, before anything is kept. */
export interface EntriesPreview {
  readonly header: readonly string[];
  readonly mapping: readonly ((typeof fields)[number] | null)[];
  readonly sample: readonly (readonly string[])[];
  /** new ones, and those that the date has already */
  readonly good: number;
  readonly known: number;
  readonly bad: readonly { readonly line: number; readonly reason: string; readonly column: string }[];
  readonly badCount: number;
}
/** What came of it. */
export type EntriesImported = Pick<EntriesPreview, "known" | "bad" | "badCount"> & { readonly added: number };
