import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** room above the expectation that a smaller licence should leave */
const spare = 1.8;

/** A much smaller licence would hold everybody who is expected. */
export const licenceMuchTooLarge: Check = (plan) => {
  const { expected, licenceSize } = plan;
  if (!expected || licenceSize === null || plan.startAt - plan.now > 7 * 24 * hourMs) return null;
  const enough = plan.licenceSizes.find((size) => size >= expected.peak * spare);
  if (enough === undefined || enough * 2 > licenceSize) return null;
  return finding("licence-much-too-large", "worth-a-look", plan.callAt, "plan", "houseSize", {
    peak: Math.round(expected.peak),
    size: licenceSize,
    enough,
  });
};
