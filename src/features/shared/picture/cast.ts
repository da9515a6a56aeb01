import type { DeskView, OnPicture } from "@/core/room";
import type { TilePerson } from "./person-tile";

type Seen = Pick<DeskView, "stage" | "floor" | "shown" | "screens"> & {
  readonly board: Readonly<Record<string, { readonly openId: string | null }>>;
  readonly status: Readonly<Record<string, { readonly isCurtainUp: boolean }>>;
};

/** Who is on the picture: people on stage, and those of the audience who were brought there. */
export function castOf(view: Pick<Seen, "stage" | "floor">): Readonly<Record<string, TilePerson>> {
  const cast = Object.entries(view.stage).filter(([, one]) => one.place === "stage" && one.isPresent);
  const guests = Object.entries(view.floor).filter(([, one]) => one.isOnStage && one.hasAccepted);
  return Object.fromEntries([...cast, ...guests.map(([id, one]) => [id, { ...one, portraitId: null }] as const)]);
}

/** Whose screens are shared, the one who began last at the end. */
export const screensInOrder = (screens: DeskView["screens"]): readonly string[] =>
  Object.entries(screens)
    .sort(([, a], [, b]) => a.order - b.order)
    .map(([id]) => id);

/** Those of them that anything comes of. */
export const screensOnPicture = (screens: DeskView["screens"]): readonly string[] =>
  screensInOrder(screens).filter((id) => screens[id]!.isHere);

/** What the house has to look at now, from what the team knows. */
export function onPicture(view: Seen): OnPicture {
  return {
    castIds: Object.keys(castOf(view)),
    hasDocument: view.shown["it"] !== undefined,
    screenIds: screensOnPicture(view.screens),
    hasBoard: view.board["it"]!.openId !== null,
    isCurtainUp: view.status["it"]!.isCurtainUp,
  };
}
