import type { Sight } from "../capability";
import type { RoomDirectory } from "../directory";
import { peopleOfStage } from "../stage-people";
import type { ChannelItem, HouseChannelItem, InterpreterItem, MixItem, OwnChannel } from "./items";
import { channelLanguages, silentChannel, type ChannelsState, type Interpreting } from "./state";

type Of = Sight<ChannelsState>;

/** What the plan says of interpreting, as the words of the room carry it. */
export const interpretingOf = ({ event, people }: Pick<RoomDirectory, "event" | "people">): Interpreting => ({
  into: event.interpretedInto,
  pairs: new Map(
    peopleOfStage(people).flatMap((one) => (one.role === "interpreter" ? [[one.ticketId, one.pair ?? []]] : [])),
  ),
});

const nameOf = ({ words }: Of, id: string): string => words.people.get(id)?.name ?? "";

function channelItem(sight: Of, language: string, position: number, listeners: number): ChannelItem {
  const { speakerId, since, handOver } = sight.own.channels.get(language) ?? silentChannel;
  return {
    ...{ position, speakerId, since, listeners },
    speaker: speakerId && nameOf(sight, speakerId),
    handOver: handOver && { ...handOver, to: nameOf(sight, handOver.toId) },
  };
}

/** Who is on, who listens, who takes over: for interpreters, stage and desk. */
export function teamChannels(sight: Of) {
  const plan = interpretingOf(sight.words);
  const counts = new Map<string, number>();
  for (const [, language] of sight.own.listeners) counts.set(language, (counts.get(language) ?? 0) + 1);
  const channels = Object.fromEntries(
    channelLanguages(plan).map((one, i) => [one, channelItem(sight, one, i, counts.get(one) ?? 0)]),
  );
  const interpreters: Record<string, InterpreterItem> = {};
  for (const [id, pair] of plan.pairs) {
    const relay = sight.own.relays.get(id) ?? null;
    interpreters[id] = { name: nameOf(sight, id), pair, relay, isPresent: sight.figures.present.has(id) };
  }
  const mix: Record<string, MixItem> = { it: { floorBelowDb: sight.own.floorBelowDb } };
  return { channels, interpreters, mix };
}

/** What can be chosen to hear, and who interprets; how many listen is not the house's matter. */
export function houseChannels(sight: Of) {
  const channels: Record<string, HouseChannelItem> = {};
  for (const language of channelLanguages(interpretingOf(sight.words))) {
    const speakerId = sight.own.channels.get(language)?.speakerId;
    const speaker = speakerId ? nameOf(sight, speakerId) : null;
    channels[language] = { speaker, floorBelowDb: sight.own.floorBelowDb };
  }
  return { channels };
}

export const ownChannel = ({ listeners }: ChannelsState, ticketId: string): OwnChannel => ({
  listensTo: listeners.get(ticketId) ?? null,
});
