import type { DeskView, OnPicture } from "@/core/room";
import type { TilePerson } from "@/features/shared/picture/person-tile";
import { shownPicture } from "@/features/shared/picture/picture-view";

/** Who is on the picture: people on stage, and those of the audience who were brought there. */
export function castOf(view: DeskView): Readonly<Record<string, TilePerson>> {
  const cast = Object.entries(view.stage).filter(([, one]) => one.place === "stage" && one.isPresent);
  const guests = Object.entries(view.floor).filter(([, one]) => one.isOnStage && one.hasAccepted);
  return Object.fromEntries([...cast, ...guests.map(([id, one]) => [id, { ...one, portraitId: null }] as const)]);
}

/** What the house has to look at now, from what the desk knows. */
export function onPicture(view: DeskView): OnPicture {
  return {
    castIds: Object.keys(castOf(view)),
    hasDocument: view.shown["it"] !== undefined,
    hasBoard: view.board["it"]!.openId !== null,
    isCurtainUp: view.status["it"]!.isCurtainUp,
  };
}

/** What the audience gets, in one line: from the very picture that it sees. */
export function pictureWords(view: DeskView): string {
  const { kind, personIds } = shownPicture(view.scene["it"]!, onPicture(view), null);
  const people = castOf(view);
  const names = personIds.map((id) => people[id]!.name);
  if (kind === "holding") return "the holding picture";
  const board = view.boards[view.board["it"]!.openId ?? ""];
  if (kind === "board") return board?.title ? `the board “${board.title}”` : `board ${board?.number ?? 1}`;
  const shown = view.shown["it"];
  const deck = shown && view.decks[shown.deckId];
  const page = shown && deck && kind.startsWith("document") ? [`page ${shown.page} of “${deck.title}”`] : [];
  const all = [...page, ...names];
  return all.length === 0 ? "an empty stage" : all.join(", ");
}
