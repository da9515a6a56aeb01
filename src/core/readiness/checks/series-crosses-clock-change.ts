import { instantOf, offsetMinutesAt } from "../../time";
import { finding, type Check } from "../plan-facts";

/** The clocks change within the series: for readers elsewhere the hour shifts. */
export const seriesCrossesClockChange: Check = (plan) => {
  const offsets = new Set(
    plan.seriesStarts.map((local) => offsetMinutesAt(instantOf({ local, zone: plan.start.zone }), plan.start.zone)),
  );
  if (offsets.size < 2) return null;
  return finding("series-crosses-clock-change", "worth-a-look", plan.startAt, "plan", "dates", {
    zone: plan.start.zone,
  });
};
