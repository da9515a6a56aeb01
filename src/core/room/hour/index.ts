import { after, live, running, team } from "../../people";
import type { Capability } from "../capability";
import { decideHour } from "./act";
import { foldHour } from "./fold";
import type { HourShape } from "./shape";
import { emptyHour } from "./state";
import { hourViews } from "./views";

export type { HourCommand } from "./shape";

const doors = { roles: team, duty: "doors-and-curtain" } as const;

/** Phase, doors, curtain, end, switches, who is barred: what every other capability may read (rule 5). */
export const hour = {
  rights: {
    "hour.open-backstage": { ...doors, phases: ["scheduled"] },
    "hour.close-backstage": { ...doors, phases: ["backstage"] },
    "hour.open-doors": { ...doors, phases: ["backstage"] },
    "hour.hold-doors": { ...doors, phases: ["open"] },
    "hour.release-doors": { ...doors, phases: ["open"] },
    "hour.raise-curtain": { ...doors, phases: ["open"] },
    "hour.drop-curtain": { ...doors, phases: ["open"] },
    "hour.strike-curtain": { roles: ["producer"], phases: after },
    "hour.set-switch": { ...doors, phases: running },
    "hour.show-out": { roles: team, duty: "people", phases: live },
    "hour.let-back": { roles: team, duty: "people", phases: live },
    "hour.let-in": { roles: team, duty: "people", phases: ["open"] },
    "hour.end": { ...doors, phases: live },
  },
  empty: emptyHour,
  decide: decideHour,
  fold: foldHour,
  views: hourViews,
} as const satisfies Capability<HourShape>;
