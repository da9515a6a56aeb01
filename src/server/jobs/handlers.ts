import type { Context } from "../services/ground/context";
import type { JobName } from "../platform/queue";
import { sendDue } from "../services/mailings/deliver";
import { sendLetters } from "../services/mailings/letters";
import { fillSeries } from "../services/planning/dates/fill";
import { callHooks } from "../services/afterwards/boards";
import { receiveAll } from "../services/mailings/incoming-mail";
import { planFollowUps } from "../services/mailings/track";
import { countHeld } from "../services/overview/forecast";
import { makeDecks } from "../services/hour/make-decks";
import { forgetCallBacks } from "../services/hour/call-back";
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
    await sweepDates(context);
    await countHeld(context);
    await planFollowUps(context);
    await forgetCallBacks(context);
  },
  "receive-mail": receiveAll,
  "call-hooks": callHooks,
  "make-decks": makeDecks,
  purge: async (context) => {
    await purge(context);
    await fillSeries(context);
  },
};
