import type { SwitchTurn } from "../../people";
import type { HourEntry, HourState } from "./state";

export type HourCommand =
  /** before the call time by an act of its own; at the call time it opens by itself */
  | { type: "hour.open-backstage" }
  /** takes that back, while nobody has been let in and the call time is still to come */
  | { type: "hour.close-backstage" }
  | { type: "hour.open-doors" }
  | { type: "hour.hold-doors" }
  | { type: "hour.release-doors" }
  /** `moves`: how many rises the desk has seen; a stale picture is refused, never obeyed */
  | { type: "hour.raise-curtain"; moves?: number | undefined }
  | { type: "hour.drop-curtain" }
  | { type: "hour.strike-curtain"; index: number; isStruck: boolean }
  /** names the value that it changes */
  | { type: "hour.set-switch"; set: SwitchTurn; seen: Readonly<Record<string, unknown>> }
  | { type: "hour.show-out"; ticketId: string }
  | { type: "hour.let-back"; ticketId: string }
  /** those at the door whom the desk has seen: whoever came since still waits */
  | { type: "hour.let-in"; ticketIds: readonly string[] }
  | { type: "hour.end" };

export interface HourShape {
  state: HourState;
  command: HourCommand;
  fact: never;
  whisper: never;
  entry: HourEntry;
}
