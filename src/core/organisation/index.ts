export {
  bandwidthOf,
  heavyKbps,
  pictures,
  type BandwidthEstimate,
  type BandwidthPlan,
  type Picture,
} from "./bandwidth";
export { brokenLimits, isWelcome, standardRules, type HouseRules, type LimitBroken } from "./rules";
