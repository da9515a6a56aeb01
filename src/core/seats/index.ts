export { admit, seatsLetInUnderLock, type HouseNow, type Waiting } from "./admission";
export { allocate, searchBudget, type Allocation } from "./allocate";
export { betaBinomialTail, binomialTail, expectedHouse, oddsOf, type ExpectedHouse, type PastShowUp } from "./forecast";
export {
  houseRange,
  learntFromDates,
  learntShowUp,
  showUpFrom,
  toldDates,
  type ShowUp,
  type ToldDate,
} from "./held-to-account";
export { defaultOverrunMinutes, holdOf, type Licence, type SeatClaim } from "./licences";
export {
  fitsAt,
  fitWithinDays,
  freeStarts,
  gridMinutes,
  nearestFits,
  type HoursOfDay,
  type PlacedDate,
  type StripCell,
} from "./nearest-fits";
export { movesUp, placeFor, type RegistrationStatus } from "./registration";
