import { audience, live, team } from "../../people";
import { Book, fail, ok, type Result } from "../../shared";
import type { Capability, Now, Sight } from "../capability";
import { isInHouse, isOfTheStage } from "../standing";
import type { PollItem, Section, TallyItem } from "../views";

export interface RoomPoll {
  readonly state: "prepared" | "open" | "closed";
  readonly isRevealed: boolean;
  readonly openedAt: number | null;
  readonly closedAt: number | null;
  /** every time that it was open: whoever was there in none of them could not vote */
  readonly spans: readonly { readonly openedAt: number; readonly closedAt: number | null }[];
}
export interface PollsState {
  readonly polls: Book<RoomPoll>;
}
const preparedPoll: RoomPoll = { state: "prepared", isRevealed: false, openedAt: null, closedAt: null, spans: [] };

type About = { pollId: string };
export type PollsCommand =
  | ({ type: "polls.add" } & About)
  | ({ type: "polls.open" } & About)
  | ({ type: "polls.close" } & About)
  | ({ type: "polls.reveal" } & About)
  | ({ type: "polls.hold-back" } & About);
export type PollsEntry =
  | ({ type: "polls.added" } & About)
  | ({ type: "polls.opened" } & About)
  | ({ type: "polls.closed" } & About)
  | ({ type: "polls.revealed" } & About)
  | ({ type: "polls.held-back" } & About);

export interface PollsShape {
  state: PollsState;
  command: PollsCommand;
  fact: { type: "polls.vote"; pollId: string; optionId: string };
  whisper: never;
  entry: PollsEntry;
}

const done = (action: string) => fail({ code: "already-done", action } as const);
const pollOf = (own: PollsState, id: string): RoomPoll => ({ ...preparedPoll, ...own.polls.get(id) });
const withPoll = (own: PollsState, id: string, change: Partial<RoomPoll>): PollsState => ({
  polls: own.polls.with(id, { ...pollOf(own, id), ...change }),
});

/** Refused for what is no poll of this date. */
const known = (now: Now, pollId: string, then: () => Result<PollsEntry[]>): Result<PollsEntry[]> =>
  now.scene.pollIds.has(pollId) ? then() : fail({ code: "not-found", what: "poll" });

const reopened = (poll: RoomPoll, at: number): Partial<RoomPoll> => ({
  state: "open",
  openedAt: poll.openedAt ?? at,
  closedAt: null,
  spans: [...poll.spans, { openedAt: at, closedAt: null }],
});
const closed = (poll: RoomPoll, at: number): Partial<RoomPoll> => ({
  state: "closed",
  closedAt: at,
  spans: poll.spans.map((span) => (span.closedAt === null ? { ...span, closedAt: at } : span)),
});

function closeAll(own: PollsState, at: number): PollsState {
  let polls = own.polls;
  for (const [id] of own.polls) {
    const poll = pollOf(own, id);
    if (poll.state === "open") polls = polls.with(id, { ...poll, ...closed(poll, at) });
  }
  return { polls };
}

function items({ own, words }: Sight<PollsState>, isShown: (item: PollItem) => boolean): Section<PollItem> {
  const out: Record<string, PollItem> = {};
  for (const poll of words.polls.values()) {
    const { state, isRevealed } = pollOf(own, poll.id);
    const item = { question: poll.question, options: poll.options, state, isRevealed };
    if (isShown(item)) out[poll.id] = item;
  }
  return out;
}

function withTallies(
  sight: Sight<PollsState>,
  isShown: (item: PollItem) => boolean,
  areVotesShown: (item: PollItem) => boolean,
) {
  const polls = items(sight, isShown);
  const tallies: Record<string, TallyItem> = {};
  for (const [id, votes] of sight.figures.tallies) {
    if (polls[id] && areVotesShown(polls[id])) tallies[id] = { votes };
  }
  return { polls, tallies };
}

const handle = { roles: team, duty: "polls", phases: live, needs: { switch: "polls" } } as const;

/** Polls of one choice, prepared or on the fly (rule 11). */
export const polls = {
  rights: {
    "polls.add": handle,
    "polls.open": handle,
    "polls.close": handle,
    "polls.reveal": handle,
    "polls.hold-back": handle,
    "polls.vote": { roles: audience, phases: ["open"], needs: { switch: "polls" } },
  },
  empty: { polls: Book.empty() } as PollsState,
  decide: {
    "polls.add": (_, { pollId }, now) => known(now, pollId, () => ok([{ type: "polls.added", pollId }])),
    "polls.open": (own, { pollId }, now) =>
      known(now, pollId, () => {
        const { phase } = now.hour;
        if (phase !== "open") return fail({ code: "wrong-state", action: "polls.open", state: phase });
        return pollOf(own, pollId).state === "open" ? done("polls.open") : ok([{ type: "polls.opened", pollId }]);
      }),
    "polls.close": (own, { pollId }, now) =>
      known(now, pollId, () =>
        pollOf(own, pollId).state === "open" ? ok([{ type: "polls.closed", pollId }]) : done("polls.close"),
      ),
    "polls.reveal": (own, { pollId }, now) =>
      known(now, pollId, () => {
        const { state, isRevealed } = pollOf(own, pollId);
        if (state === "prepared") return fail({ code: "poll-not-open" });
        return isRevealed ? done("polls.reveal") : ok([{ type: "polls.revealed", pollId }]);
      }),
    "polls.hold-back": (own, { pollId }, now) =>
      known(now, pollId, () =>
        pollOf(own, pollId).isRevealed ? ok([{ type: "polls.held-back", pollId }]) : done("polls.hold-back"),
      ),
  },
  fold: {
    "polls.added": (own, { pollId }) => withPoll(own, pollId, {}),
    "polls.opened": (own, { pollId }, { at }) => withPoll(own, pollId, reopened(pollOf(own, pollId), at)),
    "polls.closed": (own, { pollId }, { at }) => withPoll(own, pollId, closed(pollOf(own, pollId), at)),
    "polls.revealed": (own, { pollId }) => withPoll(own, pollId, { isRevealed: true }),
    "polls.held-back": (own, { pollId }) => withPoll(own, pollId, { isRevealed: false }),
  },
  hears: (own, entry, { at }) => (entry.type === "hour.ended" ? closeAll(own, at) : own),
  views: {
    "polls:desk": {
      isFor: (standing) => standing.isAtDesk,
      reads: ["polls", "tallies"],
      make: (sight) =>
        withTallies(
          sight,
          () => true,
          () => true,
        ),
    },
    "polls:stage": {
      isFor: (standing) => isOfTheStage(standing) && !standing.isAtDesk,
      reads: ["polls", "tallies"],
      make: (sight) =>
        withTallies(
          sight,
          (poll) => poll.state !== "prepared",
          (poll) => poll.isRevealed,
        ),
    },
    "polls:house": {
      isFor: isInHouse,
      reads: ["polls", "tallies"],
      make: (sight) =>
        withTallies(
          sight,
          (poll) => poll.state === "open" || (poll.state === "closed" && poll.isRevealed),
          (poll) => poll.isRevealed,
        ),
    },
  },
} as const satisfies Capability<PollsShape>;
