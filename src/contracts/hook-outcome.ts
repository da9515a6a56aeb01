export const hookOutcomes = ["answered", "refused", "silent", "given-up"] as const;

/** How the last call of a board's hook went, and which call it was. */
export interface HookOutcome {
  readonly how: (typeof hookOutcomes)[number];
  readonly tries: number;
}

/** As a row keeps it: a code, no words. */
export const hookOutcomeText = ({ how, tries }: HookOutcome): string => `${how} ${tries}`;

/** Reads it back; what is none of ours is nothing. */
export function hookOutcomeFrom(text: string | null): HookOutcome | null {
  const [, name, tries] = /^([a-z-]+) (\d{1,4})$/.exec(text ?? "") ?? [];
  const how = hookOutcomes.find((one) => one === name);
  return how && Number(tries) < 100 ? { how, tries: Number(tries) } : null;
}
