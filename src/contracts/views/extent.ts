import type { Extent } from "@/core/dates";
import type { WallTimeKind } from "@/core/time";

/** What a change to some dates of a series would bring, before it is made. */
export interface ExtentConsequences {
  readonly extent: Extent;
  readonly dates: readonly {
    readonly id: string;
    readonly from: string;
    readonly to: string;
    readonly kind: WallTimeKind;
  }[];
  readonly calledOff: number;
  /** registrations that follow their dates, or lose them */
  readonly registrations: number;
  /** people who could be told by mail: an act of its own */
  readonly couldTell: number;
  readonly licencesMoved: number;
}
