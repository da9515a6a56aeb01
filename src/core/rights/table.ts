import {
  after,
  ahead,
  audience,
  holds,
  live,
  team,
  verdictBy,
  type Actor,
  type Circumstance,
  type Permission,
  type Verdict,
} from "../people";
import { roomRights } from "../room";

/** What belongs to planning and to the report; what belongs to the hour stands with its capability. */
const planRights = {
  "event.read": { roles: team, phases: "any" },
  "event.plan": { roles: ["producer"], phases: "any" },
  "event.people": { roles: team, duty: "people", phases: "any" },
  "event.run-sheet": { roles: team, duty: "cues", phases: "any" },
  "event.polls": { roles: team, duty: "polls", phases: "any" },
  "event.mailings": { roles: team, duty: "people", phases: "any" },
  "event.exports": { roles: ["producer"], phases: "any" },
  "event.personal-links": { roles: ["producer"], phases: "any" },
  "event.import-entries": { roles: ["producer"], phases: ["ended", "not-held"] },
  // slides of one's own, by one's own link
  "deck.bring": { roles: ["panelist"], phases: ["scheduled", ...live] },
  "hand-out.bring": { roles: ["panelist"], phases: ["scheduled", ...live] },
  "date.cancel": { roles: ["producer"], phases: ahead },
  "report.correct": { roles: ["producer"], phases: after },
  "report.share": { roles: ["producer"], phases: after },
  "credit.issue": { roles: ["producer"], phases: after },
  "survey.edit": { roles: ["producer"], phases: "any" },
  "recording.upload": { roles: team, duty: "recording", phases: after },
  "recording.edit": { roles: team, duty: "recording", phases: after },
  "desk.open": { roles: team, phases: "any" },
  "house.enter": { roles: audience, phases: ["scheduled", ...live] },
} as const satisfies Record<string, Permission>;

/** Rule 6. The server asks it for every act, the interface to show or hide, and /help prints it. */
export const permissionTable = { ...planRights, ...roomRights };
export type Action = keyof typeof permissionTable;

/** Whether the actor may do it at all, whatever the phase: for menus and for acts outside a date. */
export const roleMay = (actor: Actor, action: Action): boolean => holds(actor, permissionTable[action]);

/** Whether the actor may do it now, and if not, why not. */
export const verdict = (actor: Actor, action: Action, now: Circumstance): Verdict =>
  verdictBy(permissionTable[action], actor, now);
