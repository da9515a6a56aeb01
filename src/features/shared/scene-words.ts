import type { SceneKind } from "@/core/room";

/** What a scene is called at the desk and in the run sheet. */
export const sceneWords: Readonly<Record<SceneKind, string>> = {
  all: "Everybody on stage",
  one: "One person",
  two: "Two people",
  "document-one": "Slides with one person",
  document: "Slides alone",
  board: "The board",
  holding: "Holding picture",
};
