import { openDB, type IDBPDatabase } from "idb";
import type { CommandBody } from "@/contracts";

/** A command on its way: the same id in every repeat. */
export interface Waiting {
  readonly commandId: string;
  readonly command: CommandBody;
  /** by this browser's clock: old ones are not sent into a later hour */
  readonly at: number;
}

/** Where commands wait across a reload. */
export interface QueueStore {
  load(): Promise<readonly Waiting[]>;
  put(one: Waiting): Promise<void>;
  drop(commandId: string): Promise<void>;
}

/** What was said longer ago than this belongs to an hour that is over. */
const keptMs = 10 * 60_000;

/** The browser's own database. Where it is refused (a private window) commands wait in memory alone. */
export function browserStore(name: string, now: () => number): QueueStore {
  let opened: Promise<IDBPDatabase> | null = null;
  const database = () =>
    (opened ??= openDB(`stage-call-${name}`, 1, {
      upgrade: (db) => void db.createObjectStore("waiting", { keyPath: "commandId" }),
    }));
  const quietly = async <T>(run: () => Promise<T>, otherwise: T): Promise<T> => {
    try {
      return await run();
    } catch {
      return otherwise;
    }
  };
  return {
    load: () =>
      quietly(async () => {
        const rows = (await (await database()).getAll("waiting")) as Waiting[];
        const isOld = (one: Waiting) => now() - one.at > keptMs;
        for (const one of rows.filter(isOld)) await (await database()).delete("waiting", one.commandId);
        return rows.filter((one) => !isOld(one)).sort((a, b) => a.at - b.at);
      }, []),
    put: (one) => quietly(async () => void (await (await database()).put("waiting", one)), undefined),
    drop: (commandId) => quietly(async () => (await database()).delete("waiting", commandId), undefined),
  };
}
