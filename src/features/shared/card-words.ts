import type { CardKind } from "@/core/room";

/** What stands on the cards that the desk holds up to the stage. */
export const cardWords: Readonly<Record<CardKind, string>> = {
  "two-minutes": "Two minutes",
  "one-minute": "One minute",
  "wrap-up": "Wrap up",
  louder: "Louder",
  slower: "Slower",
};
