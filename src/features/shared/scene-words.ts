import { phrase } from "@/contracts/say";
import type { SceneKind } from "@/core/room";

/** What a scene is called at the desk and in the run sheet. */
export const sceneWords: Readonly<Record<SceneKind, string>> = {
  all: phrase("Everybody on stage"),
  one: phrase("One person"),
  two: phrase("Two people"),
  "document-one": phrase("Slides with one person"),
  document: phrase("Slides alone"),
  board: phrase("The board"),
  holding: phrase("Holding picture"),
  "screen-one": phrase("Shared screen with one person"),
  screen: phrase("Shared screens alone"),
};
