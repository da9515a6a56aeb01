import type { Context } from "../services/context";
import type { JobName } from "../platform/queue";
import { sendDue } from "../services/mail/deliver";
import { fillSeries } from "../services/dates/fill";
import { callHooks } from "../services/boards";
import { receiveAll } from "../services/incoming-mail";
import { planFollowUps } from "../services/mailings/track";
import { countHeld } from "../services/house/forecast";
import { closeLost } from "../services/presence";
import { drainOutbox } from "../services/room-outbox";
import { purge, sweepDates } from "../services/sweep";

/** Every job; each safe to run twice. */
export const handlers: Readonly<Record<JobName, (context: Context) => Promise<unknown>>> = {
  "send-due-mail": sendDue,
  "sweep-dates": async (context) => {
    // the live processes do it at once; this is for dates that none follows, and waits out an outage
    await closeLost(context, 40_000);
    await drainOutbox(context);
    await sweepDates(context);
    await countHeld(context);
    await planFollowUps(context);
  },
  "receive-mail": receiveAll,
  "call-hooks": callHooks,
  purge: async (context) => {
    await purge(context);
    await fillSeries(context);
  },
};
