import type { PersonalPart, PlainView, ViewChange } from "@/core/room";

/** Messages of the room's event stream, by event name. */
export interface StreamMessages {
  /** which feeds this stream follows from now on; others are to be forgotten */
  follow: { readonly topics: readonly string[]; readonly now: number };
  /** the whole of one feed: first, and where a stream does not know what came before */
  snapshot: { readonly topic: string; readonly epoch: string; readonly n: number; readonly view: PlainView };
  change: { readonly topic: string; readonly n: number; readonly changes: readonly ViewChange[] };
  /** one person's own things, and the connection that signs of life name */
  personal: { readonly connectionId: string; readonly me: PersonalPart };
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

export const signEveryMs = 10_000;
/** after this long without a sign somebody counts as gone */
export const signLostAfterMs = 25_000;
