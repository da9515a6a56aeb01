import type { Announcements, ScreenReaderInstructions, UniqueIdentifier } from "@dnd-kit/core";

/** What a screen reader says while something is dragged: by names, never by ids. */
export function dragWords(
  nameOf: (id: UniqueIdentifier) => string,
  placeOf = nameOf,
): {
  readonly announcements: Announcements;
  readonly screenReaderInstructions: ScreenReaderInstructions;
} {
  return {
    announcements: {
      onDragStart: ({ active }) => `${nameOf(active.id)} is taken up.`,
      onDragOver: ({ active, over }) => {
        if (!over) return "";
        return over.id === active.id
          ? `${nameOf(active.id)} is at its own place.`
          : `${nameOf(active.id)} is over ${placeOf(over.id)}.`;
      },
      onDragEnd: ({ active, over }) =>
        over ? `${nameOf(active.id)} is put down at ${placeOf(over.id)}.` : `${nameOf(active.id)} is where it was.`,
      onDragCancel: ({ active }) => `${nameOf(active.id)} stays where it was.`,
    },
    screenReaderInstructions: {
      draggable: "Press space to take it up, the arrow keys to move it, space to put it down, escape to leave it.",
    },
  };
}
