import type { Database } from "./db/client";
import { Hub } from "./live/hub";
import { BriefCache } from "./platform/brief-cache";
import type { RecordingAt } from "./services/afterwards/recordings";
import type { Context } from "./services/ground/context";
import { closePolls } from "./services/hour/close-polls";
import { recordingSpace } from "./services/hour/recording-space";
import { runScreening } from "./services/hour/run-screening";
import { dismissAway } from "./services/hour/dismiss-away";
import { OwnSign, signOfServerEveryMs } from "./services/ground/server-signs";
import { admitToHouse, closeLost, SignBook } from "./services/hour/presence";
import { OverflowBook } from "./services/hour/overflow-watchers";
import { ProgrammeFeeds } from "./programme/feeds";
import { RoomCache } from "./services/ground/room/commands";
import { ActPace } from "./edge/limits";
import { Registrar } from "./services/way-in/registrar";
import { Entrance } from "./services/hour/entrance";
import { HolderCache } from "./services/hour/holder-cache";
import { takeVisits } from "./services/way-in/visit-shelf";
import { countVisits } from "./services/way-in/visits";
import { makeContext } from "./worker";
import { makeSignIn, type SignIn } from "./sign-in";

/** Everything that one process is made of. */
export interface App {
  readonly context: Context;
  readonly database: Database;
  readonly hub: Hub;
  readonly feeds: ProgrammeFeeds;
  readonly signs: SignBook;
  /** who watches without a seat */
  readonly overflow: OverflowBook;
  readonly roomCache: RoomCache;
  readonly holderCache: HolderCache;
  /** recordings by their names, which hundreds ask for piece by piece */
  readonly recordings: BriefCache<RecordingAt>;
  readonly pace: ActPace;
  readonly entrance: Entrance;
  readonly registrar: Registrar;
  readonly signIn: SignIn;
  close(): Promise<void>;
}

const graceAfterOutageMs = 30_000;

/** What may wait, and keeps no room waiting: that this process runs, and who visited. @returns what ends it */
function slowWork(context: Context): () => void {
  const ownSign = new OwnSign(context.db, () => context.clock.now());
  const work = async () => {
    await ownSign.give();
    await countVisits(context, takeVisits());
  };
  const timer = setInterval(
    () => void work().catch((error) => context.log.warn("signs and visits wait", { error: String(error) })),
    signOfServerEveryMs,
  );
  timer.unref();
  return () => clearInterval(timer);
}

const feedsOf = ({ db, storage, log, ids, clock }: Context): ProgrammeFeeds =>
  new ProgrammeFeeds({ db, storage, log, id: ids.id(), now: () => clock.now() });

/** Builds adapters, services and the live hub from a validated environment. */
export async function makeApp(source: Record<string, string | undefined>): Promise<App> {
  const { context, database, close } = await makeContext(source);
  const { environment, clock, log, secrets } = context;
  const signs = new SignBook(context);
  const overflow = new OverflowBook(context);
  const holderCache = new HolderCache(clock);
  let ticks = 0;
  // signs could not be written while the database was away: people get time to come again before they count as lost
  let nobodyIsLostBefore = 0;
  const stopSlowWork = slowWork(context);
  const feeds = feedsOf(context);
  const hub = new Hub({
    db: database.db,
    databaseUrl: environment.DATABASE_URL,
    clock,
    ids: context.ids,
    log,
    feeds,
    databaseBack: () => {
      nobodyIsLostBefore = clock.now() + graceAfterOutageMs;
    },
    rightsChanged: () => holderCache.clear(),
    admit: (occurrenceId) => admitToHouse(context, occurrenceId),
    closePolls: (occurrenceId, pollIds) => closePolls(context, occurrenceId, pollIds),
    spaceFor: async (occurrenceId) => {
      const space = await recordingSpace(context, occurrenceId);
      return { ...space, isFull: space.isFull || feeds.isLosing(occurrenceId) };
    },
    runScreening: (occurrenceId) => runScreening(context, occurrenceId),
    dismissAway: (occurrenceId, ticketIds) => dismissAway(context, occurrenceId, ticketIds),
    async flushPresence() {
      await signs.flush();
      await overflow.flush();
      ticks += 1;
      if (ticks % 20 === 0 && clock.now() >= nobodyIsLostBefore) await closeLost(context);
    },
  });
  return {
    context,
    database,
    hub,
    feeds,
    signs,
    overflow,
    roomCache: new RoomCache(),
    holderCache,
    recordings: new BriefCache<RecordingAt>(clock, 1000, 500),
    pace: new ActPace(() => clock.now()),
    entrance: new Entrance(context),
    registrar: new Registrar(context),
    signIn: makeSignIn(database.db, environment.STAGE_CALL_URL, secrets.signInSecret),
    async close() {
      stopSlowWork();
      await hub.close();
      await close();
    },
  };
}

// Next gives pages, route handlers and instrumentation module copies of their own: one app for all of them
const shelf = globalThis as typeof globalThis & { stageCallApp?: Promise<App> };

/** This process's app, made at the first call. */
export const app = (): Promise<App> => (shelf.stageCallApp ??= makeApp(process.env));
