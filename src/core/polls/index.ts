export { share, tallyOneChoice, type OneChoiceResult, type OptionShare } from "./tally";
export { turnoutOf, type Turnout } from "./turnout";
export { wilsonInterval } from "./wilson";
