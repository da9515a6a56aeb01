import type { Context } from "../services/ground/context";
import type { JobName } from "../platform/queue";
import { sendDue } from "../services/mailings/deliver";
import { sendLetters } from "../services/mailings/letters";
import { fillSeries } from "../services/planning/dates/fill";
import { forgetFeeds } from "../services/afterwards/forget-feeds";
import { cutRecordings } from "../services/afterwards/cut-recordings";
import { makeSounds } from "../services/afterwards/make-sounds";
import { makeStills } from "../services/afterwards/make-stills";
import { joinRecordings } from "../services/afterwards/join-recordings";
import { postDueStatements } from "../services/afterwards/post-statements";
import { callHooks } from "../services/afterwards/boards";
import { receiveAll } from "../services/mailings/incoming-mail";
import { planFollowUps } from "../services/mailings/track";
import { countHeld } from "../services/overview/count-held";
import { makeDecks } from "../services/hour/make-decks";
import { forgetCallBacks } from "../services/hour/call-back";
import { runScreenings } from "../services/hour/run-screening";
import { closeLost } from "../services/hour/presence";
import { drainOutbox } from "../services/ground/room/outbox";
import { purge, sweepDates } from "../services/outside/sweep";

/** Every job; each safe to run twice. */
export const handlers: Readonly<Record<JobName, (context: Context) => Promise<unknown>>> = {
  "send-due-mail": async (context) => {
    await sendLetters(context);
    await sendDue(context);
  },
  "sweep-dates": async (context) => {
    // the live processes do it at once; this is for dates that none follows, and waits out an outage
    await closeLost(context, 40_000);
    await drainOutbox(context);
    await runScreenings(context);
    await sweepDates(context);
    await countHeld(context);
    await planFollowUps(context);
    await forgetCallBacks(context);
  },
  "receive-mail": receiveAll,
  "call-hooks": async (context) => {
    await callHooks(context);
    await postDueStatements(context);
  },
  "make-decks": makeDecks,
  "join-recordings": async (context) => {
    await joinRecordings(context);
    await cutRecordings(context);
    await makeSounds(context);
    await makeStills(context);
    await forgetFeeds(context);
  },
  purge: async (context) => {
    await purge(context);
    await fillSeries(context);
  },
};
