import pg from "pg";
import { factsChannel, journalChannel } from "../db/notify";
import type { Log } from "../platform/log";

export interface Listening {
  onJournal(occurrenceId: string): void;
  onFacts(occurrenceId: string): void;
  /** after every (re)connection: notifications may have been missed */
  onConnected(): void;
}

/** One connection of its own that LISTENs, and comes back by itself when the database was away. */
export function listen(url: string, log: Log, handlers: Listening): { close(): Promise<void> } {
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
    fresh.on("notification", ({ channel, payload }) => {
      if (!payload) return;
      if (channel === journalChannel) handlers.onJournal(payload);
      else handlers.onFacts(payload);
    });
    try {
      await fresh.connect();
      await fresh.query(`listen ${journalChannel}`);
      await fresh.query(`listen ${factsChannel}`);
      handlers.onConnected();
    } catch {
      log.warn("listener cannot reach the database");
      fresh.end().catch(() => {});
      again();
    }
  }
  void connect();
  return {
    async close() {
      isClosed = true;
      clearTimeout(retry);
      await client?.end().catch(() => {});
    },
  };
}
