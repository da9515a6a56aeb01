import { haveText, lineLostAfterMs, type StreamEvent, type StreamMessages } from "@/contracts";

type Seen = ReadonlyMap<string, { readonly epoch: string; readonly n: number }>;

export interface StreamPorts {
  readonly url: string;
  /** what the screen has of each feed, asked at every opening */
  have(): Seen;
  on: { readonly [E in StreamEvent]: (message: StreamMessages[E]) => void };
  onLost(): void;
}

const lookEveryMs = 500;
const firstPauseMs = 500;
const longestPauseMs = 15_000;
/** Each of them once: a message that is not in it would be heard by nobody. */
const heard: Readonly<Record<StreamEvent, true>> = {
  follow: true,
  snapshot: true,
  change: true,
  lines: true,
  whispers: true,
  aside: true,
  personal: true,
  beat: true,
  health: true,
  closed: true,
};
const events = Object.keys(heard) as readonly StreamEvent[];

/**
 * One event stream that comes back by itself, later each time, until it is closed. Where the server sends beats, three
 * seconds without a word are a lost line, whatever the network still says of it.
 * @returns how to close it, and how to open it anew at once
 */
export function followStream(ports: StreamPorts): { close(): void; again(): void } {
  let source: EventSource | null = null;
  let isOver = false;
  let tries = 0;
  let retry: ReturnType<typeof setTimeout> | undefined;
  /** when it was heard last; null while no beats are promised */
  let heardAt: number | null = null;
  const watch = setInterval(() => {
    if (heardAt === null || Date.now() - heardAt < lineLostAfterMs) return;
    ports.onLost();
    again();
  }, lookEveryMs);
  const close = () => {
    isOver = true;
    clearTimeout(retry);
    clearInterval(watch);
    source?.close();
  };
  const again = () => {
    if (isOver) return;
    clearTimeout(retry);
    source?.close();
    heardAt = null;
    open();
  };
  const open = () => {
    const have = haveText(ports.have());
    const stream = new EventSource(have ? `${ports.url}&have=${encodeURIComponent(have)}` : ports.url);
    source = stream;
    for (const event of events) {
      stream.addEventListener(event, (raw) => {
        tries = 0;
        if (event === "beat" || heardAt !== null) heardAt = Date.now();
        (ports.on[event] as (message: unknown) => void)(JSON.parse((raw as MessageEvent<string>).data));
        if (event === "closed") close();
      });
    }
    // an event source gives up after an answer that is no stream: a new one is made each time
    stream.onerror = () => {
      stream.close();
      if (isOver || source !== stream) return;
      heardAt = null;
      ports.onLost();
      clearTimeout(retry);
      // full jitter: a whole house that lost its server does not come back at the same instant
      retry = setTimeout(open, 100 + Math.random() * Math.min(longestPauseMs, firstPauseMs * 2 ** tries++));
    };
  };
  open();
  return { close, again };
}
