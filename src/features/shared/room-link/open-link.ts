import { signEveryMs, type StreamMessages } from "@/contracts";
import type { Failure } from "@/core/shared";
import type { PersonalPart } from "@/core/room";
import { CommandQueue } from "./command-queue";
import { change, follow, haveOf, lines, noFeeds, snapshot, type Feeds } from "./feeds";
import { browserStore } from "./queue-store";
import { steadyTimer } from "./signs";
import { followStream, type StreamPorts } from "./stream";
import { gate } from "./gate";
import { pauses } from "./pauses";

export type LinkState = "connecting" | "live" | "lost" | "unwell" | "withdrawn" | "shown-out";

/** The page goes: said in passing, the answer is nobody's. */
function sayGoodbye(url: string, connectionId: string | null): void {
  if (!connectionId) return;
  const body = JSON.stringify({ commandId: crypto.randomUUID(), command: { type: "goodbye", connectionId } });
  navigator.sendBeacon(url, new Blob([body], { type: "application/json" }));
}

/** Where a link puts what comes. */
interface LinkSet {
  feeds(run: (before: Feeds) => Feeds): void;
  me(me: PersonalPart): void;
  whispers(message: StreamMessages["whispers"]): void;
  aside(message: StreamMessages["aside"]): void;
  state(run: (before: LinkState) => LinkState): void;
  refusal(failure: Failure | { readonly code: "lost" }): void;
  waiting(count: number): void;
  clockAhead(ms: number): void;
}

/** The browser knows first that its network went or came. @returns how to listen no more */
function onNetwork(gone: () => void, back: readonly (() => void)[]): () => void {
  window.addEventListener("offline", gone);
  for (const one of back) window.addEventListener("online", one);
  return () => {
    window.removeEventListener("offline", gone);
    for (const one of back) window.removeEventListener("online", one);
  };
}

/** Each message of the stream to where it belongs. */
const messagesInto = (
  set: LinkSet,
  take: (run: (before: Feeds) => Feeds) => void,
  isConnected: (connectionId: string) => void,
): StreamPorts["on"] => ({
  follow: (message) => {
    isConnected(message.connectionId);
    set.clockAhead(message.now - Date.now());
    take((before) => follow(before, message));
  },
  snapshot: (message) => take((before) => snapshot(before, message)),
  change: (message) => take((before) => change(before, message)),
  lines: (message) => take((before) => lines(before, message)),
  whispers: set.whispers,
  aside: set.aside,
  personal: ({ me }) => set.me(me),
  beat: () => {},
  health: ({ isWell }) => set.state(() => (isWell ? "live" : "unwell")),
  closed: ({ why }) => set.state(() => why),
});

/** Whoever was shown out stays so, and an unwell server is no lost line. */
const lost = (before: LinkState): LinkState => (before === "live" || before === "connecting" ? "lost" : before);

/** What a room's link is built on, apart from React. */
export function openLink(base: string, query: string, set: LinkSet) {
  let held: Feeds = noFeeds;
  let connectionId: string | null = null;
  let isLost = false;
  // what outlived a reload is sent once this person is in their place
  const back = gate(false);
  const beforeNextTry = pauses();
  const take = (run: (before: Feeds) => Feeds) => {
    held = run(held);
    isLost = false;
    back.open();
    set.feeds(() => held);
    set.state(() => "live");
  };
  const lose = () => {
    isLost = true;
    back.close();
    set.state(lost);
  };
  const queue = new CommandQueue({
    url: `${base}/commands?${query}`,
    store: browserStore(`${base}?${query}`, Date.now),
    now: Date.now,
    newId: () => crypto.randomUUID(),
    wait: beforeNextTry.wait,
    onRefusal: set.refusal,
    onWaiting: set.waiting,
    onSilence: (why) => {
      if (why === "slow") return set.state(lost);
      lose();
      stream.again();
    },
    // only slow: the stream followed all along
    onAnswer: () => {
      if (!isLost) set.state((before) => (before === "lost" ? "live" : before));
    },
    ready: () => back.wait(),
  });
  const stream = followStream({
    url: `${base}/stream?${query}`,
    have: () => haveOf(held),
    onLost: () => lose(),
    on: messagesInto(set, take, (id) => (connectionId = id)),
  });
  const sign = () => {
    if (connectionId) queue.post({ type: "sign", connectionId });
  };
  const goodbye = () => sayGoodbye(`${base}/commands?${query}`, connectionId);
  const stopSigns = steadyTimer(signEveryMs, sign);
  window.addEventListener("pagehide", goodbye);
  const leaveNetwork = onNetwork(lose, [beforeNextTry.cut, stream.again]);
  const close = () => {
    stopSigns();
    window.removeEventListener("pagehide", goodbye);
    leaveNetwork();
    queue.stop();
    back.open();
    stream.close();
  };
  return { queue, sign, close };
}
