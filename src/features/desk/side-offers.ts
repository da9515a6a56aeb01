import type { Say } from "@/contracts/say";
import { areSidesOpen, areSidesRunning, callBackSeconds, type DeskView } from "@/core/room";
import { languageName } from "@/features/shared/languages";
import type { Offer } from "./offer";
import type { DeskScene } from "./scene";

/** Side rooms opened, visited and called back by the command line. */
export function sideOffers({
  view,
  may,
  now,
  say,
}: {
  view: Pick<DeskView, "sides" | "sideRooms">;
  may: DeskScene["may"];
  now: number;
  say: Say;
}): readonly Offer[] {
  const side = view.sides["it"];
  if (!side) return [];
  const opened: Offer[] =
    may("sideRooms.open") && !areSidesRunning(side, now)
      ? [{ words: say`Open the side rooms in ten seconds`, command: { type: "sideRooms.open", inSeconds: 10 } }]
      : [];
  if (!areSidesOpen(side, now)) return opened;
  const visits = Object.entries(view.sideRooms).map(([room, { name, help }]): Offer => ({
    words: help ? say`Side room ${name}: look in (asks for help)` : say`Side room ${name}: look in`,
    command: { type: "sideRooms.visit", room: Number(room) },
  }));
  const back: Offer[] = may("sideRooms.call-back")
    ? [
        {
          words: say`Call everybody back from the side rooms in a minute`,
          command: { type: "sideRooms.call-back", inSeconds: callBackSeconds },
        },
        {
          words: say`Bring everybody back from the side rooms at once`,
          command: { type: "sideRooms.call-back", inSeconds: 0 },
        },
      ]
    : [];
  return [...back, ...visits];
}

/** Interpreters' microphones closed by the command line. */
export function channelOffers({
  view,
  may,
  say,
}: {
  view: Pick<DeskView, "channels">;
  may: DeskScene["may"];
  say: Say;
}) {
  if (!may("channels.close")) return [];
  return Object.entries(view.channels).flatMap(([language, { speaker }]): Offer[] =>
    speaker === null
      ? []
      : [
          {
            words: say`${speaker}: close the interpreter’s microphone (${languageName(language, say.locale)})`,
            command: { type: "channels.close", language },
          },
        ],
  );
}
