import { audience, live, onStage, running, team } from "../../people";
import { Book, fail, ok } from "../../shared";
import type { By, Capability, Now } from "../capability";
import { isInHouse, isOfTheStage } from "../standing";
import {
  channelLanguages,
  mostBelowDb,
  noChannels,
  silentChannel,
  speakerOf,
  spokenBy,
  type Channel,
  type ChannelsState,
} from "./state";
import { houseChannels, ownChannel, teamChannels } from "./views";

export type ChannelsCommand =
  | { type: "channels.open-microphone"; language: string }
  | { type: "channels.close-microphone" }
  | { type: "channels.take-over"; language: string; inSeconds: number }
  | { type: "channels.agree"; language: string }
  | { type: "channels.call-off"; language: string }
  /** null: from the floor */
  | { type: "channels.work-from"; language: string | null }
  | { type: "channels.listen"; language: string | null }
  | { type: "channels.close"; language: string }
  | { type: "channels.lower-floor"; belowDb: number };

export type ChannelsEntry =
  | { type: "channels.spoken"; language: string; ticketId: string }
  | { type: "channels.fell-silent"; language: string }
  | { type: "channels.hand-over-offered"; language: string; toId: string; takesAt: number }
  | { type: "channels.hand-over-agreed"; language: string }
  | { type: "channels.hand-over-called-off"; language: string }
  | { type: "channels.worked-from"; ticketId: string; language: string | null }
  | { type: "channels.listened"; ticketId: string; language: string | null }
  | { type: "channels.floor-lowered"; belowDb: number };

export interface ChannelsShape {
  state: ChannelsState;
  command: ChannelsCommand;
  fact: never;
  whisper: never;
  entry: ChannelsEntry;
}

const interpreters = ["interpreter"] as const;
const everybody = [...onStage, ...audience] as const;
const done = (action: string) => fail({ code: "already-done", action } as const);
const gone = fail({ code: "not-found", what: "channel" } as const);
const isChannel = ({ scene }: Now, language: string): boolean =>
  channelLanguages(scene.interpreting).includes(language);
const interprets = ({ scene }: Now, { ticketId }: By, language: string): boolean =>
  scene.interpreting.pairs.get(ticketId)?.includes(language) ?? false;

const withChannel = (own: ChannelsState, language: string, change: Partial<Channel>): ChannelsState => ({
  ...own,
  channels: own.channels.with(language, { ...(own.channels.get(language) ?? silentChannel), ...change }),
});
const withoutVoice = (own: ChannelsState, ticketId: string, at: number): ChannelsState =>
  spokenBy(own, ticketId).reduce(
    (next, language) => withChannel(next, language, { speakerId: null, since: at, handOver: null }),
    own,
  );
const chosen = (book: Book<string>, id: string, language: string | null): Book<string> =>
  language === null ? book.without(id) : book.with(id, language);

/** An agreed hand-over opens the other microphone by its own owner; a clock that is a little ahead is forgiven. */
const earlyMs = 2000;
const mayTake = ({ handOver }: Channel, ticketId: string, at: number): boolean =>
  handOver !== null && handOver.toId === ticketId && handOver.isAgreed && at >= handOver.takesAt - earlyMs;

/** Interpreters' channels (rule 16): who speaks on which, hand-over between two, relay, and what listeners chose. */
export const channels = {
  rights: {
    "channels.open-microphone": { roles: interpreters, phases: running },
    "channels.close-microphone": { roles: interpreters, phases: running },
    "channels.take-over": { roles: interpreters, phases: running },
    "channels.agree": { roles: interpreters, phases: running },
    "channels.call-off": { roles: interpreters, phases: running },
    "channels.work-from": { roles: interpreters, phases: running },
    "channels.listen": { roles: everybody, phases: running },
    "channels.close": { roles: team, duty: "people", phases: live },
    "channels.lower-floor": { roles: team, duty: "people", phases: live },
  },
  paces: { "channels.listen": { burst: 6, everyMs: 1000 } },
  empty: noChannels,
  decide: {
    "channels.open-microphone": (own, { language }, now, by) => {
      if (!isChannel(now, language) || !interprets(now, by, language)) return gone;
      const channel = own.channels.get(language) ?? silentChannel;
      if (channel.speakerId === by.ticketId) return done("channels.open-microphone");
      if (channel.speakerId !== null && !mayTake(channel, by.ticketId, by.at)) return fail({ code: "channel-taken" });
      return ok([{ type: "channels.spoken", language, ticketId: by.ticketId }]);
    },
    "channels.close-microphone": (own, _, __, { ticketId }) => {
      const spoken = spokenBy(own, ticketId);
      return spoken.length === 0
        ? done("channels.close-microphone")
        : ok(spoken.map((language) => ({ type: "channels.fell-silent", language }) as const));
    },
    "channels.take-over": (own, { language, inSeconds }, now, by) => {
      if (!isChannel(now, language) || !interprets(now, by, language)) return gone;
      const { speakerId, handOver } = own.channels.get(language) ?? silentChannel;
      if (speakerId === null || speakerId === by.ticketId || handOver) return done("channels.take-over");
      const takesAt = by.at + inSeconds * 1000;
      return ok([{ type: "channels.hand-over-offered", language, toId: by.ticketId, takesAt }]);
    },
    "channels.agree": (own, { language }, _, { ticketId }) => {
      const channel = own.channels.get(language);
      if (channel?.speakerId !== ticketId || !channel.handOver) return gone;
      return channel.handOver.isAgreed ? done("channels.agree") : ok([{ type: "channels.hand-over-agreed", language }]);
    },
    "channels.call-off": (own, { language }, _, { ticketId }) => {
      const channel = own.channels.get(language);
      const isTheirs = channel?.handOver?.toId === ticketId || channel?.speakerId === ticketId;
      return channel?.handOver && isTheirs
        ? ok([{ type: "channels.hand-over-called-off", language }])
        : done("channels.call-off");
    },
    "channels.work-from": (own, { language }, now, { ticketId }) => {
      if (language !== null && !isChannel(now, language)) return gone;
      // nobody works from what they say themselves
      if (language !== null && speakerOf(own, language) === ticketId) return gone;
      return (own.relays.get(ticketId) ?? null) === language
        ? done("channels.work-from")
        : ok([{ type: "channels.worked-from", ticketId, language }]);
    },
    "channels.listen": (own, { language }, now, { ticketId }) => {
      if (language !== null && !isChannel(now, language)) return gone;
      return (own.listeners.get(ticketId) ?? null) === language
        ? done("channels.listen")
        : ok([{ type: "channels.listened", ticketId, language }]);
    },
    "channels.close": (own, { language }) =>
      speakerOf(own, language) === null ? done("channels.close") : ok([{ type: "channels.fell-silent", language }]),
    "channels.lower-floor": (own, { belowDb }) =>
      belowDb === own.floorBelowDb || belowDb < 0 || belowDb > mostBelowDb
        ? done("channels.lower-floor")
        : ok([{ type: "channels.floor-lowered", belowDb }]),
  },
  fold: {
    "channels.spoken": (own, { language, ticketId }, { at }) =>
      withChannel(withoutVoice(own, ticketId, at), language, { speakerId: ticketId, since: at, handOver: null }),
    "channels.fell-silent": (own, { language }, { at }) =>
      withChannel(own, language, { speakerId: null, since: at, handOver: null }),
    "channels.hand-over-offered": (own, { language, toId, takesAt }) =>
      withChannel(own, language, { handOver: { toId, takesAt, isAgreed: false } }),
    "channels.hand-over-agreed": (own, { language }) => {
      const handOver = own.channels.get(language)?.handOver;
      return handOver ? withChannel(own, language, { handOver: { ...handOver, isAgreed: true } }) : own;
    },
    "channels.hand-over-called-off": (own, { language }) => withChannel(own, language, { handOver: null }),
    "channels.worked-from": (own, { ticketId, language }) => ({
      ...own,
      relays: chosen(own.relays, ticketId, language),
    }),
    "channels.listened": (own, { ticketId, language }) => ({
      ...own,
      listeners: chosen(own.listeners, ticketId, language),
    }),
    "channels.floor-lowered": (own, { belowDb }) => ({ ...own, floorBelowDb: belowDb }),
  },
  hears: (own, entry, { at }) => {
    if (entry.type === "hour.ended") return { ...noChannels, floorBelowDb: own.floorBelowDb };
    return entry.type === "hour.shown-out" ? withoutVoice(own, entry.ticketId, at) : own;
  },
  views: {
    "channels:team": { isFor: isOfTheStage, reads: ["event", "people", "present"], make: teamChannels },
    "channels:house": { isFor: isInHouse, reads: ["event", "people"], make: houseChannels },
  },
  own: ownChannel,
  concerns: (before, after) => [...Book.changes(before.listeners, after.listeners)].map(([id]) => id),
} as const satisfies Capability<ChannelsShape>;
