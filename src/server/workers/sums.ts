import { findSlots } from "@/core/people";
import { readSvg } from "@/core/room";
import { allocate } from "@/core/seats";
import { dayMs } from "@/core/time";
import { contactsIn, previewOf } from "../services/people/contacts/read-file";
import { readEntriesFile } from "../services/afterwards/read-entries";
import { busyFile } from "../services/planning/calendar-import/busy-file";

type Sum = (input: never) => unknown;
const spread =
  <A extends readonly unknown[], R>(sum: (...args: A) => R) =>
  (args: A): R =>
    sum(...args);

/** Everything that may take longer than a screen can wait: what a file holds, and searches over months. Pure: bytes and plain data in, plain data out. */
const boardFile = (bytes: Uint8Array) => readSvg(new TextDecoder().decode(bytes));

export const sums = {
  "board-file": spread(boardFile),
  "busy-file": spread(busyFile),
  "contacts-file": spread(contactsIn),
  "contacts-preview": spread(previewOf),
  "entries-file": spread(readEntriesFile),
  "free-slots": spread(findSlots),
  "seat-search": spread(allocate),
} as const satisfies Readonly<Record<string, Sum>>;

export type SumName = keyof typeof sums;
export type SumInput<N extends SumName> = Parameters<(typeof sums)[N]>[0];
export type SumOutput<N extends SumName> = ReturnType<(typeof sums)[N]>;

/** How long each may take; longer ones are broken off. */
export const budgetsMs: Readonly<Record<SumName, number>> = {
  "board-file": 10_000,
  "busy-file": 10_000,
  "contacts-file": 30_000,
  "contacts-preview": 30_000,
  "entries-file": 30_000,
  "free-slots": 5_000,
  "seat-search": 5_000,
};

/** What takes some milliseconds at most, whatever is in it: files by their size, searches by what they search. */
const lightBelow: { readonly [N in SumName]: (input: SumInput<N>) => boolean } = {
  "board-file": ([bytes]) => bytes.byteLength < 200_000,
  // a small calendar may hold a rule without end: never light
  "busy-file": () => false,
  "contacts-file": ([bytes]) => bytes.byteLength < 50_000,
  "contacts-preview": ([bytes]) => bytes.byteLength < 50_000,
  "entries-file": ([bytes]) => bytes.byteLength < 50_000,
  "free-slots": ([people, , range]) => people.length * (range.end - range.start) < 30 * 31 * dayMs,
  "seat-search": ([claims]) => claims.length < 200,
};
export const isLight = <N extends SumName>(name: N, input: SumInput<N>): boolean => lightBelow[name](input);

/** Where heavy sums are done. */
export interface HeavySums {
  /** @throws what the sum refuses, and `too-heavy` beyond its budget */
  run<N extends SumName>(name: N, input: SumInput<N>): Promise<SumOutput<N>>;
  close(): Promise<void>;
}

/** In this very thread: for tests and tools. */
export const sumsHere: HeavySums = {
  run: async (name, input) => (sums[name] as (given: typeof input) => never)(input),
  close: async () => {},
};
