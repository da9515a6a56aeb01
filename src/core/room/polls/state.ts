import { Book } from "../../shared";

export interface RoomPoll {
  readonly state: "prepared" | "open" | "closed";
  readonly isRevealed: boolean;
  readonly openedAt: number | null;
  readonly closedAt: number | null;
  /** when it closes by itself; null where somebody closes it */
  readonly closesAt?: number | null;
  /** every time that it was open: whoever was there in none of them could not vote */
  readonly spans: readonly { readonly openedAt: number; readonly closedAt: number | null }[];
}
export interface PollsState {
  readonly polls: Book<RoomPoll>;
  /** the one whose result is on the picture */
  readonly onPictureId?: string | null;
}

const preparedPoll: RoomPoll = { state: "prepared", isRevealed: false, openedAt: null, closedAt: null, spans: [] };

export const pollOf = (own: PollsState, id: string): RoomPoll => ({ ...preparedPoll, ...own.polls.get(id) });
export const withPoll = (own: PollsState, id: string, change: Partial<RoomPoll>): PollsState => ({
  ...own,
  polls: own.polls.with(id, { ...pollOf(own, id), ...change }),
});
export const withoutPoll = (own: PollsState, id: string): PollsState => ({
  polls: own.polls.without(id),
  onPictureId: own.onPictureId === id ? null : (own.onPictureId ?? null),
});

/** Somebody may have voted in it: its words stay as they are. */
export const wasOpen = (poll: RoomPoll): boolean => poll.openedAt !== null;

export const reopened = (poll: RoomPoll, at: number, closesAt: number | null): Partial<RoomPoll> => ({
  state: "open",
  openedAt: poll.openedAt ?? at,
  closedAt: null,
  closesAt,
  spans: [...poll.spans, { openedAt: at, closedAt: null }],
});
/** A poll whose time is over was closed then, however late that was seen. */
export const closed = (poll: RoomPoll, at: number): Partial<RoomPoll> => {
  const closedAt = Math.min(at, poll.closesAt ?? at);
  return {
    state: "closed",
    closedAt,
    closesAt: null,
    spans: poll.spans.map((span) => (span.closedAt === null ? { ...span, closedAt } : span)),
  };
};

export function closeAll(own: PollsState, at: number): PollsState {
  let polls = own.polls;
  for (const [id] of own.polls) {
    const poll = pollOf(own, id);
    if (poll.state === "open") polls = polls.with(id, { ...poll, ...closed(poll, at) });
  }
  return { ...own, polls };
}

/** Open ones whose time is over. */
export const overduePolls = (own: PollsState, now: number): readonly string[] =>
  [...own.polls].flatMap(([id, poll]) => (poll.state === "open" && (poll.closesAt ?? Infinity) <= now ? [id] : []));
