import type { IntervalSet } from "@/core/time";

/** When people are busy, and the starts that fit them, between two instants (milliseconds). */
export interface SlotGrid {
  readonly people: readonly {
    readonly id: string;
    readonly name: string;
    readonly zone: string;
    readonly isRequired: boolean;
    readonly busy: IntervalSet;
    readonly calendars: number;
  }[];
  readonly slots: readonly {
    readonly startAt: number;
    readonly endAt: number;
    readonly freeOptional: number;
    readonly withinHours: number;
    readonly busyNames: readonly string[];
    readonly outsideNames: readonly string[];
  }[];
  readonly from: number;
  readonly until: number;
}
