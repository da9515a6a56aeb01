/** How a question of a poll is answered (rule 11). A presence check is a poll of a kind, for credit. */
export const pollKinds = [
  "one-choice",
  "several-choices",
  "scale",
  "ranking",
  "open-text",
  "quiz",
  "presence-check",
] as const;
export type PollKind = (typeof pollKinds)[number];

export interface PollOption {
  readonly id: string;
  readonly label: string;
}

/** One question of a poll. On a scale the options are its steps, and their ids the figures. */
export interface PollQuestion {
  readonly id: string;
  readonly kind: PollKind;
  readonly text: string;
  readonly options: readonly PollOption[];
  /** the right answers of a quiz */
  readonly rightIds: readonly string[];
}

export interface PollSettings {
  /** nobody is told who answered what: neither screens nor files */
  readonly isAnonymous: boolean;
  /** an answer once given stays */
  readonly isLocked: boolean;
  /** how long it stays open; null: until somebody closes it */
  readonly limitSeconds: number | null;
  /** those who answered stand for more people than themselves: shares get their interval */
  readonly isSample: boolean;
}
export interface PollPlan extends PollSettings {
  readonly questions: readonly PollQuestion[];
}

export const plainPoll: PollSettings = { isAnonymous: false, isLocked: false, limitSeconds: null, isSample: false };

/** Declining as an answer of its own: it counts as a vote. */
export const noVoteId = "no-vote";
export const noVote: PollOption = { id: noVoteId, label: "No vote" };
/** kinds that may offer it */
export const mayOfferNoVote = (kind: PollKind): boolean =>
  kind === "one-choice" || kind === "several-choices" || kind === "scale";

export const scales = { "1-5": [1, 5], "0-10": [0, 10] } as const;
export type ScaleName = keyof typeof scales;

/** The steps of a scale as options: the id is the figure. */
export function scaleOptions(name: ScaleName): PollOption[] {
  const [from, to] = scales[name];
  return Array.from({ length: to - from + 1 }, (_, i) => ({ id: String(from + i), label: String(from + i) }));
}
/** Which scale these options are. */
export const scaleOf = (options: readonly PollOption[]): ScaleName => (options[0]?.id === "0" ? "0-10" : "1-5");

export const presenceOptions: readonly PollOption[] = [{ id: "here", label: "I am here" }];

/** What a poll goes by in lists: its first question. */
export const pollTitle = (poll: { readonly questions: readonly { readonly text: string }[] }): string =>
  poll.questions[0]?.text ?? "";

/** How many answers a question of this kind has to offer. */
export const fewestOptions = (kind: PollKind): number => (kind === "open-text" ? 0 : kind === "presence-check" ? 1 : 2);
