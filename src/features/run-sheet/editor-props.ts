"use client";

import type { Done, RunSheetInput } from "@/contracts";

export interface RunSheetEditorProps {
  readonly initial: RunSheetInput;
  readonly startAt: number;
  readonly endAt: number;
  readonly startLocal: string;
  readonly zone: string;
  readonly leaders: readonly { id: string; name: string }[];
  /** slides of the date, to be tied to segments */
  readonly decks: readonly { readonly id: string; readonly title: string; readonly pageCount: number }[];
  /** being there earns something at this event */
  readonly givesCredit: boolean;
  readonly mayEdit: boolean;
  /** what the sheet was when it was loaded: a save over somebody else's is refused */
  readonly tag: string;
  readonly draftKey: string;
  readonly save: (tag: string, input: RunSheetInput) => Promise<Done<string>>;
  /** a series goes on after this date */
  readonly hasLaterDates: boolean;
  /** lays this sheet into the later dates; how many */
  readonly copy: () => Promise<Done<number>>;
}
