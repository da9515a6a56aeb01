import pg from "pg";
import { roomChannel, type RoomNotice } from "../db/notify";
import type { Log } from "../platform/log";

export interface Listening {
  onNotice(notice: RoomNotice): void;
  /** after every (re)connection: notifications may have been missed */
  onConnected(): void;
}

export interface Listener {
  /** from here on nothing that is told is missed, but for outages */
  readonly listening: Promise<void>;
  close(): Promise<void>;
}

/** One connection of its own that LISTENs, and comes back by itself when the database was away. */
export function listen(url: string, log: Log, handlers: Listening): Listener {
  let isListening = () => {};
  const listening = new Promise<void>((done) => (isListening = done));
  let client: pg.Client | null = null;
  let isClosed = false;
  let retry: NodeJS.Timeout | undefined;

  async function connect(): Promise<void> {
    if (isClosed) return;
    const fresh = new pg.Client({ connectionString: url, connectionTimeoutMillis: 2000, keepAlive: true });
    const again = () => {
      if (client !== fresh || isClosed) return;
      client = null;
      retry = setTimeout(() => void connect(), 400);
    };
    client = fresh;
    fresh.on("error", again);
    fresh.on("end", again);
    fresh.on("notification", ({ payload }) => {
      if (payload) handlers.onNotice(JSON.parse(payload) as RoomNotice);
    });
    try {
      await fresh.connect();
      await fresh.query(`listen ${roomChannel}`);
      handlers.onConnected();
      isListening();
    } catch {
      log.warn("listener cannot reach the database");
      fresh.end().catch(() => {});
      again();
    }
  }
  void connect();
  return {
    listening,
    async close() {
      isClosed = true;
      clearTimeout(retry);
      await client?.end().catch(() => {});
    },
  };
}
