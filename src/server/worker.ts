import { crowdPlayer } from "../stand-ins/crowd-player";
import { openDatabase } from "./db/client";
import { openStorage } from "./files/open-storage";
import { OutletKeeper } from "./outlets/keeper";
import { bossQueue, startBoss } from "./jobs/boss";
import { handlers } from "./jobs/handlers";
import { maildir, noInbox } from "./mail/inbox";
import { smtpMailer } from "./mail/mailer";
import { fileClock, systemClock } from "./platform/clock";
import { readEnvironment, type Environment } from "./platform/environment";
import { randomIds } from "./platform/ids";
import { jsonLog } from "./platform/log";
import { jobNames, type JobName } from "./platform/queue";
import { makeSecrets } from "./platform/secrets";
import { rederiveInstants } from "./services/planning/dates/rederive";
import { noDial, signedDial } from "./platform/phone-dial";
import { makeDeck } from "./workers/deck-maker";
import { mediaInThread } from "./workers/media-worker";
import { threadPool } from "./workers/pool";
import type { Context } from "./services/ground/context";

const everyMs: Readonly<Record<JobName, number>> = {
  "send-due-mail": 1000,
  "sweep-dates": 5000,
  "receive-mail": 2000,
  "call-hooks": 3000,
  "make-decks": 1000,
  "join-recordings": 5000,
  purge: 3_600_000,
};

/** A line that signs is asked where it says; the stand-in asks by itself. */
const dialOf = ({ STAGE_CALL_PHONE_DIAL_URL: url, STAGE_CALL_PHONE_SECRET: secret }: Environment) =>
  url && secret ? signedDial(url, secret) : noDial;

/** The context alone, without streams and sign-in: for the job process, the seed and tools. */
export async function makeContext(source: Record<string, string | undefined>) {
  const environment = readEnvironment(source);
  const database = openDatabase(environment.DATABASE_URL, jsonLog, 20);
  const boss = await startBoss(environment.DATABASE_URL, jsonLog);
  const sums = threadPool();
  const mailer = smtpMailer(environment.SMTP_URL);
  const clock = environment.STAGE_CALL_CLOCK_FILE ? fileClock(environment.STAGE_CALL_CLOCK_FILE) : systemClock;
  const crowd = crowdPlayer(environment.STAGE_CALL_URL, () => clock.now());
  const context: Context = {
    db: database.db,
    clock,
    ids: randomIds,
    log: jsonLog,
    secrets: makeSecrets(environment.STAGE_CALL_SECRET, environment.STAGE_CALL_PREVIOUS_SECRET ?? null),
    queue: bossQueue(boss),
    mailer,
    inbox: environment.STAGE_CALL_INBOX ? maildir(environment.STAGE_CALL_INBOX) : noInbox,
    storage: await openStorage(environment),
    environment,
    sums,
    makeDeck,
    makeMedia: mediaInThread,
    // the drawing library is read when the first one is made
    makeCertificate: async (look) => (await import("./workers/certificate")).makeCertificate(look),
    crowd,
    dial: dialOf(environment),
  };
  const close = async () => {
    mailer.close();
    crowd.close();
    await sums.close();
    await boss.stop({ graceful: false, wait: false });
    await database.close();
  };
  return { context, database, boss, close };
}

/** The job process: takes what services enqueued, and looks at the clock by itself for what falls due. */
export async function makeWorker(source: Record<string, string | undefined>): Promise<{ close(): Promise<void> }> {
  const { context, boss, close } = await makeContext(source);
  const running = new Set<JobName>();
  const runJob = async (name: JobName) => {
    if (running.has(name)) return;
    running.add(name);
    try {
      await handlers[name](context);
    } catch (error) {
      context.log.error("job failed", error, { job: name });
    } finally {
      running.delete(name);
    }
  };
  // a machine with another zone database: announced hours stay, instants follow
  void rederiveInstants(context).catch((error: unknown) => context.log.error("instants not looked at", error));
  for (const name of jobNames) await boss.work(name, { pollingIntervalSeconds: 0.5 }, () => runJob(name));
  const outlets = new OutletKeeper(context);
  outlets.start();
  const timers = jobNames.map((name) => setInterval(() => void runJob(name), everyMs[name]));
  return {
    async close() {
      timers.forEach(clearInterval);
      await outlets.close();
      await close();
    },
  };
}
