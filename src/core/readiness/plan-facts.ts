import type { CheckName } from "./names";
import type { Picture } from "../organisation";
import type { Duty, Role } from "../people";
import type { TimedSegment } from "../run-sheet";
import type { WallTime } from "../time";

/** Somebody of the stage as the checks see them. */
export interface StageFacts {
  readonly name: string;
  readonly role: Role;
  readonly duties: readonly Duty[];
  readonly wasInvited: boolean;
  readonly reply: "coming" | "not-coming" | "unsure" | null;
  readonly hasTechCheck: boolean;
  /** an interpreter's pair, from and to */
  readonly languages: readonly [string, string] | null;
  readonly zone: string | null;
  readonly isBusyThen: boolean;
  readonly leadsSegments: number;
}

export interface SegmentFacts extends TimedSegment {
  readonly title: string;
  readonly hasLeader: boolean;
  readonly pollId: string | null;
}

export interface PollFacts {
  readonly id: string;
  readonly question: string;
  /** nothing is missing before it can be put to people */
  readonly isReady: boolean;
}

/** What the checks look at: the plan of one date, with nothing else of the database in it. */
export interface PlanFacts {
  readonly now: number;
  readonly start: WallTime;
  readonly startAt: number;
  readonly endAt: number;
  readonly callAt: number;
  readonly hasDescription: boolean;
  readonly isPrivate: boolean;
  readonly accessCode: string | null;
  readonly entryBy: "registration" | "open-link";
  readonly registrationLimit: number | null;
  readonly houseSize: number;
  readonly formFieldCount: number;
  readonly questionsOn: boolean;
  readonly pollsOn: boolean;
  /** a recording is watched together: nobody is on stage */
  readonly isScreening: boolean;
  readonly isRecorded: boolean;
  readonly consentText: string;
  readonly interpretationInto: readonly string[];
  readonly creditPoints: number | null;
  readonly soundBy: "computer" | "phone" | "both";
  readonly picture: Picture;
  readonly stagePeople: readonly StageFacts[];
  readonly segments: readonly SegmentFacts[];
  readonly polls: readonly PollFacts[];
  readonly parts: readonly { readonly title: string; readonly startAt: number; readonly endAt: number }[];
  readonly hasTestGuestWalkedIn: boolean;
  readonly reminderOffsetsMinutes: readonly number[];
  readonly remindersSent: boolean;
  readonly isPublished: boolean;
  readonly invitationHasJoinBlock: boolean;
  readonly mailsFailed: number;
  readonly pendingRegistrations: number;
  readonly openSeatRequests: number;
  /** sizes of the licences that the organisation owns, ascending; empty: none */
  readonly licenceSizes: readonly number[];
  /** size of the licence that this date is given; null: none */
  readonly licenceSize: number | null;
  readonly expected: { readonly peak: number; readonly fullChance: number } | null;
  /** starts of the series that this date belongs to, local; empty for single dates */
  readonly seriesStarts: readonly string[];
  readonly holiday: string | null;
  readonly limits: {
    readonly longestMinutes: number;
    readonly largestHouse: number;
    readonly mostOnStage: number;
    readonly earliestStart: string;
    readonly latestStart: string;
  };
  readonly phoneNumberCount: number;
}

export type Severity = "stops-the-show" | "not-during-the-hour" | "worth-a-look";
export type Place = "plan" | "people" | "run-sheet" | "front-door" | "mailings";

/** What a check found missing. `facts` fill the words, which are made at the edge. */
export interface Finding {
  readonly check: CheckName;
  readonly severity: Severity;
  /** by when it has to be mended, as an instant */
  readonly byAt: number;
  readonly place: Place;
  /** the field's anchor on that page */
  readonly field: string;
  readonly facts: Readonly<Record<string, string | number>>;
}

/** One check: pure, one thing, null when nothing is missing. */
export type Check = (plan: PlanFacts) => Finding | null;

/** Crew members who could still be given a duty. */
export const crewWithout = (plan: PlanFacts, duty: Duty): number =>
  plan.stagePeople.filter((one) => one.role === "crew" && !one.duties.includes(duty)).length;

/** A finding's fixed part, to be filled with facts. */
export const finding = (
  check: CheckName,
  severity: Severity,
  byAt: number,
  place: Place,
  field: string,
  facts: Finding["facts"] = {},
): Finding => ({ check, severity, byAt, place, field, facts });
