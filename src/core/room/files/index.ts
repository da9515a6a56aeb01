import type { Capability } from "../capability";
import type { Section } from "../views";
import type { FileItem, HouseFileItem } from "./items";
import { isInHouse, isOfTheStage } from "../standing";

/** A file came, was shown, hidden, moved or went: the list is read again. */
export type FilesEntry = { type: "files.changed" };

export interface FilesShape {
  state: null;
  command: never;
  fact: never;
  whisper: never;
  entry: FilesEntry;
}

/** Files for the audience: which there are stands in a list of its own; the room only says that it changed. */
export const files = {
  rights: {},
  empty: null,
  decide: {},
  fold: { "files.changed": (own) => own },
  views: {
    "files:team": {
      isFor: isOfTheStage,
      reads: ["files"],
      make: ({ words }) => ({ files: Object.fromEntries(words.files) satisfies Section<FileItem> }),
    },
    "files:house": {
      isFor: isInHouse,
      reads: ["files"],
      make: ({ words }) => ({
        files: Object.fromEntries(
          [...words.files]
            .filter(([, file]) => file.isShown)
            .map(([id, { name, sizeBytes, position }]) => [id, { name, sizeBytes, position }]),
        ) satisfies Section<HouseFileItem>,
      }),
    },
  },
} as const satisfies Capability<FilesShape>;
