import type { Say } from "@/contracts/say";
import type { DeskView } from "@/core/room";
import { castOf, onPicture } from "@/features/shared/picture/cast";
import { shownPicture } from "@/features/shared/picture/picture-view";

export { castOf, onPicture };

/** What the audience gets, in one line: from the very picture that it sees. */
export function pictureWords(view: DeskView, say: Say): string {
  const { kind, personIds, screenIds } = shownPicture(view.scene["it"]!, onPicture(view), null);
  const people = castOf(view);
  const names = personIds.map((id) => people[id]!.name);
  if (kind === "holding") return say`the holding picture`;
  if (view.status["it"]?.screening) return say`the recording`;
  const board = view.boards[view.board["it"]!.openId ?? ""];
  if (kind === "board") return board?.title ? say`the board “${board.title}”` : say`board ${board?.number ?? 1}`;
  const shown = view.shown["it"];
  const deck = shown && view.decks[shown.deckId];
  const page = shown && deck && kind.startsWith("document") ? [say`page ${shown.page} of “${deck.title}”`] : [];
  const screens = screenIds.map((id) => say`the screen of ${view.screens[id]!.name}`);
  const all = [...page, ...screens, ...names];
  return all.length === 0 ? say`an empty stage` : all.join(", ");
}
