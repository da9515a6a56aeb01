/** What the desk holds up to the stage, as a card in a studio; the house never sees it. */
export const cardKinds = ["two-minutes", "one-minute", "wrap-up", "louder", "slower"] as const;
export type CardKind = (typeof cardKinds)[number];
