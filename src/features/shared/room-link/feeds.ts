import { logEpoch, type EarlierPage, type LogRow, type StreamMessages } from "@/contracts";
import { applyChanges, logTopics, whisperTopics, type PlainView } from "@/core/room";

/** A screen holds so many rows of a log feed; older ones are read by page. */
const mostRows = 500;

interface Held {
  readonly epoch: string;
  readonly n: number;
  readonly view: PlainView;
}

/** A log feed as the screen has it: how far it has read, and the rows it holds. */
export interface Log {
  readonly head: number;
  readonly rows: readonly LogRow[];
  /** nothing came before the first row; unknown until it was asked */
  readonly isWhole: boolean;
}

/** The feeds that a screen follows, as it has them, and the one picture that they make together. */
export interface Feeds {
  readonly held: ReadonlyMap<string, Held>;
  /** which are followed; null before the server has said so */
  readonly topics: readonly string[] | null;
  /** every section of every feed; null until each feed has come once */
  readonly view: PlainView | null;
  /** rows of the log feeds, by topic, in their own order */
  readonly logs: ReadonlyMap<string, Log>;
}
export const noFeeds: Feeds = { held: new Map(), topics: null, view: null, logs: new Map() };

function together(held: ReadonlyMap<string, Held>, topics: readonly string[] | null): PlainView | null {
  const views = (topics ?? []).filter((topic) => !logTopics.has(topic) && !whisperTopics.has(topic));
  if (views.length === 0 || views.some((topic) => !held.has(topic))) return null;
  return Object.assign({}, ...views.map((topic) => held.get(topic)!.view)) as PlainView;
}

const withHeld = (feeds: Feeds, topic: string, next: Held): Feeds => {
  const held = new Map(feeds.held).set(topic, next);
  return { ...feeds, held, view: together(held, feeds.topics) };
};

/** Another list of feeds: what is no longer followed is forgotten, so that nothing of it stays on the screen. */
export function follow(feeds: Feeds, { topics }: StreamMessages["follow"]): Feeds {
  const held = new Map([...feeds.held].filter(([topic]) => topics.includes(topic)));
  const logs = new Map([...feeds.logs].filter(([topic]) => topics.includes(topic)));
  return { held, topics, view: together(held, topics), logs };
}
export const snapshot = (feeds: Feeds, { topic, epoch, n, view }: StreamMessages["snapshot"]): Feeds =>
  withHeld(feeds, topic, { epoch, n, view });

/** A change that was seen before changes nothing. */
export function change(feeds: Feeds, { topic, n, changes }: StreamMessages["change"]): Feeds {
  const known = feeds.held.get(topic);
  if (!known || n <= known.n) return feeds;
  return withHeld(feeds, topic, { ...known, n, view: applyChanges(known.view, changes) });
}

/** Rows of a log feed put in: each once, in the feed's own order; taken away ones leave no trace. */
export function lines(feeds: Feeds, { topic, head, rows }: StreamMessages["lines"]): Feeds {
  const known = feeds.logs.get(topic);
  const byId = new Map((known?.rows ?? []).map((row) => [row.id, row]));
  for (const row of rows) {
    if (row.row === null) byId.delete(row.id);
    else byId.set(row.id, row);
  }
  // whoever read back keeps what they read
  const most = Math.max(mostRows, known?.rows.length ?? 0);
  const next = [...byId.values()].sort((a, b) => a.seq - b.seq).slice(-most);
  return { ...feeds, logs: new Map(feeds.logs).set(topic, { head, rows: next, isWhole: known?.isWhole ?? false }) };
}

/** A page of earlier rows laid before those that are there. */
export function earlier(feeds: Feeds, topic: string, page: EarlierPage): Feeds {
  const known = feeds.logs.get(topic);
  if (!known) return feeds;
  const first = known.rows[0]?.seq ?? Infinity;
  const rows = [...page.rows.filter((row) => row.seq < first), ...known.rows];
  return { ...feeds, logs: new Map(feeds.logs).set(topic, { ...known, rows, isWhole: page.isWhole }) };
}

/** What a stream says that it has, when it comes back. */
export const haveOf = (feeds: Feeds): ReadonlyMap<string, { readonly epoch: string; readonly n: number }> =>
  new Map<string, { epoch: string; n: number }>([
    ...feeds.held,
    ...[...feeds.logs].map(([topic, { head }]) => [topic, { epoch: logEpoch, n: head }] as const),
  ]);

/** What kind of screen the feeds make. */
export function screenOf(topics: readonly string[] | null): "desk" | "stage" | "house" | "foyer" | null {
  const hour = topics?.find((topic) => topic.startsWith("hour:"))?.slice("hour:".length);
  return hour === "desk" || hour === "stage" || hour === "house" || hour === "foyer" ? hour : null;
}
