import type { StreamMessages } from "@/contracts";
import { applyChanges, type PlainView } from "@/core/room";

interface Held {
  readonly epoch: string;
  readonly n: number;
  readonly view: PlainView;
}

/** The feeds that a screen follows, as it has them, and the one picture that they make together. */
export interface Feeds {
  readonly held: ReadonlyMap<string, Held>;
  /** which are followed; null before the server has said so */
  readonly topics: readonly string[] | null;
  /** every section of every feed; null until each feed has come once */
  readonly view: PlainView | null;
}
export const noFeeds: Feeds = { held: new Map(), topics: null, view: null };

function together(held: ReadonlyMap<string, Held>, topics: readonly string[] | null): PlainView | null {
  if (!topics || topics.some((topic) => !held.has(topic))) return null;
  return Object.assign({}, ...topics.map((topic) => held.get(topic)!.view)) as PlainView;
}

const withHeld = (feeds: Feeds, topic: string, next: Held): Feeds => {
  const held = new Map(feeds.held).set(topic, next);
  return { ...feeds, held, view: together(held, feeds.topics) };
};

/** Another list of feeds: what is no longer followed is forgotten, so that nothing of it stays on the screen. */
export function follow(feeds: Feeds, { topics }: StreamMessages["follow"]): Feeds {
  const held = new Map([...feeds.held].filter(([topic]) => topics.includes(topic)));
  return { held, topics, view: together(held, topics) };
}
export const snapshot = (feeds: Feeds, { topic, epoch, n, view }: StreamMessages["snapshot"]): Feeds =>
  withHeld(feeds, topic, { epoch, n, view });

/** A change that was seen before changes nothing. */
export function change(feeds: Feeds, { topic, n, changes }: StreamMessages["change"]): Feeds {
  const known = feeds.held.get(topic);
  if (!known || n <= known.n) return feeds;
  return withHeld(feeds, topic, { ...known, n, view: applyChanges(known.view, changes) });
}

/** What kind of screen the feeds make. */
export function screenOf(topics: readonly string[] | null): "desk" | "stage" | "house" | "foyer" | null {
  const hour = topics?.find((topic) => topic.startsWith("hour:"))?.slice("hour:".length);
  return hour === "desk" || hour === "stage" || hour === "house" || hour === "foyer" ? hour : null;
}
