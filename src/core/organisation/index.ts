export {
  bandwidthOf,
  heavyKbps,
  pictures,
  type BandwidthEstimate,
  type BandwidthPlan,
  type Picture,
} from "./bandwidth";
export { invitationDays, leavesNoOwner } from "./team";
export {
  brokenLimits,
  isWelcome,
  newlyBrokenLimits,
  rulesWithGrant,
  standardRules,
  type HouseRules,
  type LimitBroken,
  type LimitedSizes,
} from "./rules";
