import type { Database } from "./db/client";
import { Hub } from "./live/hub";
import type { Context } from "./services/ground/context";
import { closePolls } from "./services/hour/close-polls";
import { dismissAway } from "./services/hour/dismiss-away";
import { admitToHouse, closeLost, SignBook } from "./services/hour/presence";
import { RoomCache } from "./services/ground/room/commands";
import { ActPace } from "./edge/limits";
import { Registrar } from "./services/way-in/registrar";
import { Entrance } from "./services/hour/entrance";
import { HolderCache } from "./services/hour/holder-cache";
import { makeContext } from "./worker";
import { makeSignIn, type SignIn } from "./sign-in";

/** Everything that one process is made of. */
export interface App {
  readonly context: Context;
  readonly database: Database;
  readonly hub: Hub;
  readonly signs: SignBook;
  readonly roomCache: RoomCache;
  readonly holderCache: HolderCache;
  readonly pace: ActPace;
  readonly entrance: Entrance;
  readonly registrar: Registrar;
  readonly signIn: SignIn;
  close(): Promise<void>;
}

const graceAfterOutageMs = 30_000;

/** Builds adapters, services and the live hub from a validated environment. */
export async function makeApp(source: Record<string, string | undefined>): Promise<App> {
  const { context, database, close } = await makeContext(source);
  const { environment, clock, log, secrets } = context;
  const signs = new SignBook(context);
  const holderCache = new HolderCache(clock);
  let ticks = 0;
  // signs could not be written while the database was away: people get time to come again before they count as lost
  let nobodyIsLostBefore = 0;
  const hub = new Hub({
    db: database.db,
    databaseUrl: environment.DATABASE_URL,
    clock,
    ids: context.ids,
    log,
    databaseBack: () => {
      nobodyIsLostBefore = clock.now() + graceAfterOutageMs;
    },
    rightsChanged: () => holderCache.clear(),
    admit: (occurrenceId) => admitToHouse(context, occurrenceId),
    closePolls: (occurrenceId, pollIds) => closePolls(context, occurrenceId, pollIds),
    dismissAway: (occurrenceId, ticketIds) => dismissAway(context, occurrenceId, ticketIds),
    async flushPresence() {
      await signs.flush();
      ticks += 1;
      if (ticks % 20 === 0 && clock.now() >= nobodyIsLostBefore) await closeLost(context);
    },
  });
  return {
    context,
    database,
    hub,
    signs,
    roomCache: new RoomCache(),
    holderCache,
    pace: new ActPace(() => clock.now()),
    entrance: new Entrance(context),
    registrar: new Registrar(context),
    signIn: makeSignIn(database.db, environment.STAGE_CALL_URL, secrets.signInSecret),
    async close() {
      await hub.close();
      await close();
    },
  };
}

// Next gives pages, route handlers and instrumentation module copies of their own: one app for all of them
const shelf = globalThis as typeof globalThis & { stageCallApp?: Promise<App> };

/** This process's app, made at the first call. */
export const app = (): Promise<App> => (shelf.stageCallApp ??= makeApp(process.env));
