/** What an organisation allows and proposes: its house rules. */
export interface HouseRules {
  readonly longestMinutes: number;
  readonly largestHouse: number;
  readonly mostOnStage: number;
  readonly overrunMinutes: number;
  /** starts are looked for between these hours of the event's own day */
  readonly earliestStart: string;
  readonly latestStart: string;
  /** whether people outside the organisation's own mail domains may come at all */
  readonly guestsFromOutside: boolean;
  readonly ownDomains: readonly string[];
  readonly proposed: { readonly durationMinutes: number; readonly houseSize: number; readonly callMinutes: number };
  readonly phoneNumbers: readonly { readonly country: string; readonly number: string }[];
}

export const standardRules: HouseRules = {
  longestMinutes: 480,
  largestHouse: 1000,
  mostOnStage: 25,
  overrunMinutes: 15,
  earliestStart: "08:00",
  latestStart: "21:30",
  guestsFromOutside: true,
  ownDomains: [],
  proposed: { durationMinutes: 60, houseSize: 100, callMinutes: 20 },
  phoneNumbers: [],
};

export type LimitBroken = {
  readonly limit: "length" | "house" | "stage";
  readonly wanted: number;
  readonly most: number;
};

export interface LimitedSizes {
  readonly durationMinutes: number;
  readonly houseSize: number;
  readonly onStage: number;
}

/** The rules for one event: what the organisation granted it counts for it. */
export const rulesWithGrant = <R extends Pick<HouseRules, "largestHouse">>(
  rules: R,
  grantedSeats: number | null,
): R => ({
  ...rules,
  largestHouse: Math.max(rules.largestHouse, grantedSeats ?? 0),
});

/** The house limits that a plan goes beyond, none for a plan within them. */
export function brokenLimits(rules: HouseRules, plan: LimitedSizes): readonly LimitBroken[] {
  const checks: LimitBroken[] = [
    { limit: "length", wanted: plan.durationMinutes, most: rules.longestMinutes },
    { limit: "house", wanted: plan.houseSize, most: rules.largestHouse },
    { limit: "stage", wanted: plan.onStage, most: rules.mostOnStage },
  ];
  return checks.filter((one) => one.wanted > one.most);
}

/** The limits that a change breaks: what stood before, under rules since tightened, may stay as it is. */
export const newlyBrokenLimits = (
  rules: HouseRules,
  plan: LimitedSizes,
  before: LimitedSizes,
): readonly LimitBroken[] => {
  const stood = brokenLimits(rules, before);
  return brokenLimits(rules, plan).filter(
    (one) => !stood.some((other) => other.limit === one.limit && one.wanted <= other.wanted),
  );
};

/** Whether an address may come under the house rules. */
export function isWelcome(rules: Pick<HouseRules, "guestsFromOutside" | "ownDomains">, email: string): boolean {
  if (rules.guestsFromOutside) return true;
  const domain = email.toLowerCase().split("@").at(-1) ?? "";
  return rules.ownDomains.some((own) => domain === own || domain.endsWith(`.${own}`));
}
