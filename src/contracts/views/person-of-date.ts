import type { Role } from "@/core/people";

/** One person of a date as the list shows them. */
export interface PersonOfDate {
  readonly key: string;
  readonly personId: string | null;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly source: string;
  readonly isRegistered: boolean;
  readonly minutes: number;
  readonly percent: number;
  /** flat pairs of instants, from and to, within the show */
  readonly presence: readonly number[];
  readonly questions: number;
  readonly votes: number;
  readonly hands: number;
  readonly spoke: boolean;
  readonly couldNotHear: boolean;
  /** went before the end of the show and stayed away */
  readonly leftEarly: boolean;
  /** was away in between and came again */
  readonly cameBack: boolean;
  /** came to an earlier date of the organisation within a year */
  readonly isReturning: boolean;
  readonly creditPoints: number | null;
}

/** One device's stay, as it was written down and as it counts. */
export interface EntryOfPerson {
  readonly entryKey: string;
  readonly device: string;
  readonly inAt: number;
  readonly outAt: number;
  /** as it was written down, where it was put right */
  readonly was: {
    readonly inAt: number;
    readonly outAt: number;
    readonly reason: string;
    readonly correctionId: string;
  } | null;
}

export interface PersonPage {
  readonly person: PersonOfDate;
  readonly zone: string | null;
  readonly answers: readonly { readonly label: string; readonly answer: string }[];
  readonly registeredAt: number | null;
  readonly entries: readonly EntryOfPerson[];
  /** what was put right about them and stands */
  readonly corrections: readonly { readonly id: string }[];
  readonly mergedFrom: readonly { readonly key: string; readonly name: string; readonly correctionId: string }[];
  readonly questions: readonly {
    readonly text: string;
    readonly state: string;
    readonly askedAt: number;
    readonly answer: string | null;
  }[];
  readonly ballots: readonly { readonly poll: string; readonly answer: string; readonly at: number }[];
  readonly chat: { readonly lines: number; readonly notes: number };
  readonly floor: readonly { readonly acceptedAt: number | null; readonly openMs: number }[];
  /** hand-outs, the first time that each was taken */
  readonly taken: readonly { readonly name: string; readonly at: number }[];
  readonly mails: readonly {
    readonly subject: string;
    readonly kind: string;
    readonly state: string;
    readonly at: number;
  }[];
  readonly watched: {
    readonly seconds: number;
    readonly coverage: number;
    readonly views: number;
    readonly lastAt: number;
  } | null;
  readonly show: readonly { readonly start: number; readonly end: number }[];
}
