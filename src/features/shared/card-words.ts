import { phrase } from "@/contracts/say";
import type { CardKind } from "@/core/room";

/** What stands on the cards that the desk holds up to the stage. */
export const cardWords: Readonly<Record<CardKind, string>> = {
  "two-minutes": phrase("Two minutes"),
  "one-minute": phrase("One minute"),
  "wrap-up": phrase("Wrap up"),
  louder: phrase("Louder"),
  slower: phrase("Slower"),
};
