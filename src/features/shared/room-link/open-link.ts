import { signEveryMs, type StreamMessages } from "@/contracts";
import type { Failure } from "@/core/shared";
import type { PersonalPart } from "@/core/room";
import { CommandQueue } from "./command-queue";
import { change, follow, haveOf, lines, noFeeds, snapshot, type Feeds } from "./feeds";
import { browserStore } from "./queue-store";
import { steadyTimer } from "./signs";
import { followStream, type StreamPorts } from "./stream";
import { wakeable } from "./wakeable";

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
  state(run: (before: LinkState) => LinkState): void;
  refusal(failure: Failure | { readonly code: "lost" }): void;
  waiting(count: number): void;
  clockAhead(ms: number): void;
}

/** The browser knows first that its network went or came. @returns how to listen no more */
function onNetwork(gone: () => void, back: () => void): () => void {
  window.addEventListener("offline", gone);
  window.addEventListener("online", back);
  return () => {
    window.removeEventListener("offline", gone);
    window.removeEventListener("online", back);
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
  personal: ({ me }) => set.me(me),
  beat: () => {},
  health: ({ isWell }) => set.state(() => (isWell ? "live" : "unwell")),
  closed: ({ why }) => set.state(() => why),
});

/** What a room's link is built on, apart from React. */
export function openLink(base: string, query: string, set: LinkSet) {
  let held: Feeds = noFeeds;
  let connectionId: string | null = null;
  let isLost = false;
  const pause = wakeable();
  const take = (run: (before: Feeds) => Feeds) => {
    held = run(held);
    isLost = false;
    set.feeds(() => held);
    set.state(() => "live");
  };
  const lose = () => {
    isLost = true;
    set.state((before) => (before === "live" || before === "connecting" ? "lost" : before));
  };
  const queue = new CommandQueue({
    url: `${base}/commands?${query}`,
    store: browserStore(`${base}?${query}`, Date.now),
    now: Date.now,
    newId: () => crypto.randomUUID(),
    wait: pause.wait,
    onRefusal: set.refusal,
    onWaiting: set.waiting,
    onSilence: () => lose(),
    // an act came through though the stream is silent: it is opened anew
    onAnswer: () => {
      if (isLost) stream.again();
    },
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
  const leaveNetwork = onNetwork(lose, () => {
    pause.wake();
    stream.again();
  });
  const close = () => {
    stopSigns();
    window.removeEventListener("pagehide", goodbye);
    leaveNetwork();
    queue.stop();
    stream.close();
  };
  return { queue, sign, close };
}
