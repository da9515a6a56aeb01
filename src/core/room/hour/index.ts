import { after, live, running, team, type SwitchSet, type Switches } from "../../people";
import type { Capability } from "../capability";
import { decideHour } from "./act";
import { foldHour } from "./fold";
import { emptyHour, type HourEntry, type HourState } from "./state";
import { hourViews } from "./views";

export type HourCommand =
  | { type: "hour.open-doors" }
  | { type: "hour.hold-doors" }
  | { type: "hour.release-doors" }
  /** `moves`: how many rises the desk has seen; a stale picture is refused, never obeyed */
  | { type: "hour.raise-curtain"; moves?: number | undefined }
  | { type: "hour.drop-curtain" }
  | { type: "hour.strike-curtain"; index: number; isStruck: boolean }
  /** names the value that it changes */
  | { type: "hour.set-switch"; set: SwitchSet; seen: Switches[keyof Switches] }
  | { type: "hour.show-out"; ticketId: string }
  | { type: "hour.let-back"; ticketId: string }
  | { type: "hour.end" };

export interface HourShape {
  state: HourState;
  command: HourCommand;
  fact: never;
  entry: HourEntry;
}

const doors = { roles: team, duty: "doors-and-curtain" } as const;

/** Phase, doors, curtain, end, switches, who is barred: what every other capability may read (rule 5). */
export const hour = {
  rights: {
    "hour.open-doors": { ...doors, phases: ["backstage"] },
    "hour.hold-doors": { ...doors, phases: ["open"] },
    "hour.release-doors": { ...doors, phases: ["open"] },
    "hour.raise-curtain": { ...doors, phases: ["open"] },
    "hour.drop-curtain": { ...doors, phases: ["open"] },
    "hour.strike-curtain": { roles: ["producer"], phases: after },
    "hour.set-switch": { ...doors, phases: running },
    "hour.show-out": { roles: team, duty: "people", phases: live },
    "hour.let-back": { roles: team, duty: "people", phases: live },
    "hour.end": { ...doors, phases: live },
  },
  empty: emptyHour,
  decide: decideHour,
  fold: foldHour,
  views: hourViews,
} as const satisfies Capability<HourShape>;
