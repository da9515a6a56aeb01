import { Book } from "../../shared";

/** Somebody else says "I take it in thirty seconds"; whoever speaks agrees, and hands over then. */
export interface HandOver {
  readonly toId: string;
  /** wall time at which the other microphone is to open */
  readonly takesAt: number;
  readonly isAgreed: boolean;
}

/** One interpreted language: one microphone at a time speaks on it. */
export interface Channel {
  /** null while nobody's microphone is open: listeners hear the floor */
  readonly speakerId: string | null;
  /** since when it is so */
  readonly since: number;
  readonly handOver: HandOver | null;
}
export const silentChannel: Channel = { speakerId: null, since: 0, handOver: null };

export interface ChannelsState {
  /** by language (BCP 47); one that nobody spoke on yet is not in it */
  readonly channels: Book<Channel>;
  /** the channel that a person chose to hear; absent: the floor */
  readonly listeners: Book<string>;
  /** the channel that an interpreter works from; absent: the floor */
  readonly relays: Book<string>;
  /** how far the floor is lowered under an interpreter, in decibels */
  readonly floorBelowDb: number;
}
/** *Common practice* (rule 16). */
export const usualBelowDb = 14;
export const mostBelowDb = 40;
export const handOverSeconds = 30;
export const mostHandOverSeconds = 300;

export const noChannels: ChannelsState = {
  channels: Book.empty(),
  listeners: Book.empty(),
  relays: Book.empty(),
  floorBelowDb: usualBelowDb,
};

/** What the plan says of interpreting. */
export interface Interpreting {
  /** the languages that the hour is interpreted into */
  readonly into: readonly string[];
  /** each interpreter's pair, by ticket */
  readonly pairs: ReadonlyMap<string, readonly string[]>;
}

/** The channels of a date, in their order: what was planned, and what else its interpreters interpret into. */
export const channelLanguages = ({ into, pairs }: Interpreting): readonly string[] => [
  ...new Set([...into, ...[...pairs.values()].flatMap((pair) => pair.at(-1) ?? []).sort()]),
];

export const speakerOf = (own: ChannelsState, language: string): string | null =>
  own.channels.get(language)?.speakerId ?? null;

/** The channels on which somebody's microphone is open: one at most. */
export const spokenBy = (own: ChannelsState, ticketId: string): readonly string[] =>
  [...own.channels].flatMap(([language, { speakerId }]) => (speakerId === ticketId ? [language] : []));
