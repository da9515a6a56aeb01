import { expectedHouse, houseRange, learntShowUp, showUpFrom, type ExpectedHouse } from "@/core/seats";
import type { Context } from "../ground/context";
import type { DateReport } from "../ground/date-report";
import { pastDates, pastHouse } from "./forecast";

/** What was to be expected of a date beside what came of it (rule 3). */
export interface Expected extends ExpectedHouse {
  /** the middle 80 % */
  readonly low: number;
  readonly high: number;
  /** past dates that it was told from; none: from common practice alone */
  readonly dates: number;
  /** told from how show-up differed between the dates themselves */
  readonly isLearnt: boolean;
}

/** From the dates before it alone: what was known when it began. Null where nobody had registered. */
export async function expectedOf(
  context: Context,
  about: { readonly organisationId: string; readonly startAt: number; readonly houseSize: number },
  data: DateReport,
): Promise<Expected | null> {
  const { registered } = data.report;
  if (registered === 0) return null;
  const [dates, past] = await Promise.all([
    pastDates(context, about.organisationId, about.startAt),
    pastHouse(context, about.organisationId, about.startAt),
  ]);
  const learnt = learntShowUp(dates);
  const showUp = learnt ?? showUpFrom(past);
  const plain = expectedHouse(registered, about.houseSize, past, past.peakShare);
  return {
    ...plain,
    come: (registered * showUp.a) / (showUp.a + showUp.b),
    ...houseRange(registered, showUp),
    dates: past.dates,
    isLearnt: learnt !== null,
  };
}
