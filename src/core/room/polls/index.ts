import { audience, live, team } from "../../people";
import { Book, fail, ok, type Result } from "../../shared";
import type { Capability, Now } from "../capability";
import { isInHouse, isOfTheStage } from "../standing";
import { closeAll, closed, pollOf, reopened, wasOpen, withoutPoll, withPoll, type PollsState } from "./state";
import { pollsFor } from "./views";

export { overduePolls, type PollsState, type RoomPoll } from "./state";

type About = { pollId: string };
export type PollsCommand =
  | ({ type: "polls.add" } & About)
  | ({ type: "polls.edit" } & About)
  | ({ type: "polls.remove" } & About)
  | ({ type: "polls.open" } & About)
  | ({ type: "polls.close" } & About)
  | ({ type: "polls.reveal" } & About)
  | ({ type: "polls.hold-back" } & About)
  | ({ type: "polls.show"; isOnPicture: boolean } & About);
export type PollsEntry =
  | ({ type: "polls.added" } & About)
  | ({ type: "polls.edited" } & About)
  | ({ type: "polls.removed" } & About)
  | ({ type: "polls.opened"; closesAt?: number | null } & About)
  | ({ type: "polls.closed" } & About)
  | ({ type: "polls.revealed" } & About)
  | ({ type: "polls.held-back" } & About)
  | ({ type: "polls.shown"; isOnPicture: boolean } & About);

export interface PollsShape {
  state: PollsState;
  command: PollsCommand;
  fact: { type: "polls.vote"; pollId: string; answers: Readonly<Record<string, readonly string[]>> };
  whisper: never;
  entry: PollsEntry;
}

const done = (action: string) => fail({ code: "already-done", action } as const);

/** Refused for what is no poll of this date. */
const known = (now: Now, pollId: string, then: () => Result<PollsEntry[]>): Result<PollsEntry[]> =>
  now.scene.pollIds.has(pollId) ? then() : fail({ code: "not-found", what: "poll" });
/** Refused where somebody may have voted in it. */
const untouched = (own: PollsState, now: Now, entry: PollsEntry): Result<PollsEntry[]> =>
  wasOpen(pollOf(own, entry.pollId)) ? fail({ code: "poll-was-open" }) : known(now, entry.pollId, () => ok([entry]));

/** How long this poll stays open, as its own server part looked it up. */
function closesAt({ scene }: Now, at: number): number | null {
  const { limitSeconds } = (scene.about ?? { limitSeconds: null }) as { limitSeconds: number | null };
  return limitSeconds === null ? null : at + limitSeconds * 1000;
}

const handle = { roles: team, duty: "polls", phases: live, needs: { switch: "polls" } } as const;

/** Polls of every kind, prepared or on the fly (rule 11). */
export const polls = {
  rights: {
    "polls.add": handle,
    "polls.edit": handle,
    "polls.remove": handle,
    "polls.open": handle,
    "polls.close": handle,
    "polls.reveal": handle,
    "polls.hold-back": handle,
    "polls.show": handle,
    "polls.vote": { roles: audience, phases: ["open"], needs: { switch: "polls" } },
  },
  empty: { polls: Book.empty() } as PollsState,
  decide: {
    "polls.add": (_, { pollId }, now) => known(now, pollId, () => ok([{ type: "polls.added", pollId }])),
    "polls.edit": (own, { pollId }, now) => untouched(own, now, { type: "polls.edited", pollId }),
    "polls.remove": (own, { pollId }, now) => untouched(own, now, { type: "polls.removed", pollId }),
    "polls.open": (own, { pollId }, now, { at }) =>
      known(now, pollId, () => {
        const { phase } = now.hour;
        if (phase !== "open") return fail({ code: "wrong-state", action: "polls.open", state: phase });
        if (pollOf(own, pollId).state === "open") return done("polls.open");
        return ok([{ type: "polls.opened", pollId, closesAt: closesAt(now, at) }]);
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
    "polls.show": (own, { pollId, isOnPicture }, now) =>
      known(now, pollId, () => {
        const { state, isRevealed } = pollOf(own, pollId);
        if (isOnPicture && state === "prepared") return fail({ code: "poll-not-open" });
        if ((own.onPictureId === pollId) === isOnPicture) return done("polls.show");
        // what is on the picture is seen: it is revealed with it
        const revealed: PollsEntry[] = isOnPicture && !isRevealed ? [{ type: "polls.revealed", pollId }] : [];
        return ok([...revealed, { type: "polls.shown", pollId, isOnPicture }]);
      }),
  },
  fold: {
    "polls.added": (own, { pollId }) => withPoll(own, pollId, {}),
    "polls.edited": (own, { pollId }) => withPoll(own, pollId, {}),
    "polls.removed": (own, { pollId }) => withoutPoll(own, pollId),
    "polls.opened": (own, { pollId, closesAt }, { at }) =>
      withPoll(own, pollId, reopened(pollOf(own, pollId), at, closesAt ?? null)),
    "polls.closed": (own, { pollId }, { at }) => withPoll(own, pollId, closed(pollOf(own, pollId), at)),
    "polls.revealed": (own, { pollId }) => withPoll(own, pollId, { isRevealed: true }),
    "polls.held-back": (own, { pollId }) => ({
      ...withPoll(own, pollId, { isRevealed: false }),
      onPictureId: own.onPictureId === pollId ? null : (own.onPictureId ?? null),
    }),
    "polls.shown": (own, { pollId, isOnPicture }) => ({ ...own, onPictureId: isOnPicture ? pollId : null }),
  },
  hears: (own, entry, { at }) => (entry.type === "hour.ended" ? closeAll(own, at) : own),
  views: {
    "polls:desk": {
      isFor: (standing) => standing.isAtDesk,
      reads: ["polls", "tallies"],
      make: (sight) => pollsFor(sight, { isShown: () => true, areVotesShown: () => true, areRightShown: () => true }),
    },
    "polls:stage": {
      isFor: (standing) => isOfTheStage(standing) && !standing.isAtDesk,
      reads: ["polls", "tallies"],
      make: (sight) =>
        pollsFor(sight, {
          isShown: (poll) => poll.state !== "prepared",
          areVotesShown: (poll) => poll.isRevealed,
          areRightShown: (isRevealed) => isRevealed,
        }),
    },
    "polls:house": {
      isFor: isInHouse,
      reads: ["polls", "tallies"],
      make: (sight) =>
        pollsFor(sight, {
          isShown: (poll) => poll.state === "open" || (poll.state === "closed" && poll.isRevealed),
          areVotesShown: (poll) => poll.isRevealed,
          areRightShown: (isRevealed) => isRevealed,
        }),
    },
  },
} as const satisfies Capability<PollsShape>;
