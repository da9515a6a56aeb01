import { z } from "zod";
import type { AsideBody, WhisperBody } from "./room/command";
import type { PersonalPart, PlainView, ViewChange } from "@/core/room";

/** One row of a log feed: its place, the moment of its last change by the feed's own counter, and what it says. */
export interface LogRow {
  readonly id: string;
  readonly seq: number;
  readonly rev: number;
  /** null: taken away */
  readonly row: unknown;
}

/** A screen that watches without a seat: a number that its page made up. */
export const watchingInput = z.object({ watcher: z.uuid() });

/** Earlier rows of a log feed, a page at a time: `GET /live/{occurrence}/lines?topic=…&before={seq}`. */
export const earlierPage = 100;
export const earlierInput = z.object({
  topic: z.string().max(60),
  before: z.coerce.number().int().min(0).max(2_000_000_000),
});
export interface EarlierPage {
  /** oldest first */
  readonly rows: readonly LogRow[];
  /** nothing came before these */
  readonly isWhole: boolean;
}

/** The epoch under which a client says how far it has read a log feed: it outlives every process. */
export const logEpoch = "log";

/** Messages of the room's event stream, by event name. */
export interface StreamMessages {
  /** which feeds this stream follows from now on, others are to be forgotten; and the connection that signs of life name */
  follow: { readonly topics: readonly string[]; readonly now: number; readonly connectionId: string };
  /** the whole of one feed: first, and where a stream does not know what came before */
  snapshot: { readonly topic: string; readonly epoch: string; readonly n: number; readonly view: PlainView };
  change: { readonly topic: string; readonly n: number; readonly changes: readonly ViewChange[] };
  /** rows of a log feed, in order; `gone` rows are to be taken off the screen. `head`: how far the feed has come */
  lines: { readonly topic: string; readonly head: number; readonly rows: readonly LogRow[] };
  /** what was said in passing since the last tick: the last word of each person, kept nowhere */
  whispers: { readonly topic: string; readonly said: readonly (readonly [ticketId: string, body: WhisperBody])[] };
  /** what one person said to this one alone */
  aside: { readonly from: string; readonly said: AsideBody };
  /** one person's own things */
  personal: { readonly me: PersonalPart };
  /** the line lives: to whoever works here, so that a lost one shows within seconds */
  beat: object;
  /** whether the server reaches its database */
  health: { readonly isWell: boolean };
  /** the right to this room was withdrawn, or this person was shown out */
  closed: { readonly why: "withdrawn" | "shown-out" };
}
export type StreamEvent = keyof StreamMessages;

/** What a client has seen of its feeds, for `?have=`: `topic~epoch~n`, joined by commas. */
export const haveText = (seen: ReadonlyMap<string, { epoch: string; n: number }>): string =>
  [...seen].map(([topic, { epoch, n }]) => `${topic}~${epoch}~${n}`).join(",");

export function readHave(text: string | null): ReadonlyMap<string, { epoch: string; n: number }> {
  const parts = (text ?? "").split(",").map((one) => one.split("~"));
  return new Map(
    parts.flatMap(([topic, epoch, n]) =>
      topic && epoch && /^\d+$/.test(n ?? "") ? [[topic, { epoch, n: Number(n) }] as const] : [],
    ),
  );
}

/** So often those of stage and desk hear that their line lives; silence for longer is a lost one. */
export const beatEveryMs = 1000;
export const lineLostAfterMs = 3000;

export const signEveryMs = 10_000;
/** after this long without a sign somebody counts as gone */
export const signLostAfterMs = 25_000;
