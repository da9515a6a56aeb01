"use client";
import { useSay } from "@/features/shared/say/say";
import { CommandLine, Shortcut } from "@/ui";
import { cardKinds } from "@/core/room";
import { cardWords } from "@/features/shared/card-words";
import { deskKeys } from "./desk-keys";
import { deviceOffers } from "./device-offers";
import { bestOf, type KeyedOffer, type Offer } from "./offer";
import { pollOffers } from "./poll-offers";
import { questionOffers } from "./questions/question-offers";
import type { DeskScene } from "./scene";
import { channelOffers, sideOffers } from "./side-offers";

/** Rows that are taken in at a glance. */
const mostFound = 8;

/** What the desk may do about the audience: the floor given and taken back, hands lowered. */
function floorOffers({ view, may, say }: Pick<DeskScene, "view" | "may" | "say">): readonly Offer[] {
  if (!may("floor.offer")) return [];
  const given = Object.entries(view.floor).map(([ticketId, { name, isOnStage }]): Offer => ({
    words: isOnStage ? say`${name}: back to the audience` : say`${name}: take the floor back`,
    command: { type: "floor.withdraw", ticketId },
  }));
  const lowered = Object.entries(view.hands).map(([ticketId, { name }]): Offer => ({
    words: say`${name}: lower the hand`,
    command: { type: "floor.lower-for", ticketId },
  }));
  const offered = Object.entries(view.audience)
    .filter(([id, person]) => person.place === "house" && !(id in view.floor))
    .flatMap(([ticketId, { name }]): Offer[] => [
      { words: say`${name}: give the floor`, command: { type: "floor.offer", ticketId, parts: ["sound"] } },
      {
        words: say`${name}: give the floor, with their screen`,
        command: { type: "floor.offer", ticketId, parts: ["sound", "screen"] },
      },
      { words: say`${name}: bring on stage`, command: { type: "floor.bring-on-stage", ticketId } },
    ]);
  const all: Offer[] =
    lowered.length > 1 ? [{ words: say`Lower every raised hand`, command: { type: "floor.lower-all" } }] : [];
  return [...given, ...all, ...lowered, ...offered];
}

/** Every act the desk has now, in words: person and act first, then the room's own. */
function offersOf({ say, view, segments, currentIndex, may, now }: DeskScene): readonly Offer[] {
  const status = view.status["it"]!;
  const cue = view.cue["it"]!;
  const leavingSegmentId = cue.currentSegmentId;
  const people: Offer[] = !may("stage.move")
    ? []
    : Object.entries(view.stage).flatMap(([ticketId, person]) =>
        (["stage", "standby", "backstage"] as const)
          .filter((place) => place !== person.place)
          .map((place) => ({
            words:
              place === "stage"
                ? say`${person.name}: bring on stage`
                : place === "standby"
                  ? say`${person.name}: standby`
                  : say`${person.name}: backstage`,
            command: { type: "stage.move", ticketId, place } as const,
          })),
      );
  const floor = floorOffers({ view, may, say });
  const acts: Offer[] = [];
  if (may("cues.show-card"))
    for (const card of cardKinds)
      acts.push({
        words: say`Card to the stage: ${say.of(cardWords[card])}`,
        command: { type: "cues.show-card", card },
      });
  const leaderId = segments[currentIndex]?.leaderId ?? null;
  if (may("hour.drop-curtain"))
    acts.push(
      status.isCurtainUp
        ? { words: say`Drop the curtain`, command: { type: "hour.drop-curtain" } }
        : { words: say`Raise the curtain`, command: { type: "hour.raise-curtain", moves: status.curtainMoves } },
    );
  if (may("hour.hold-doors"))
    acts.push({
      words: status.areDoorsHeld ? say`Release the doors` : say`Hold the doors`,
      command: { type: status.areDoorsHeld ? "hour.release-doors" : "hour.hold-doors" },
    });
  if (may("cues.next"))
    for (const [i, segment] of segments.entries())
      if (i !== currentIndex)
        acts.push({
          words: say`Cue: ${segment.title}`,
          command: { type: "cues.jump", leavingSegmentId, segmentId: segment.id },
        });
  return [
    ...acts,
    ...pollOffers({ view, may, say }),
    ...questionOffers({ view, may, say }),
    ...sideOffers({ view, may, now, say }),
    ...channelOffers({ view, may, say }),
    ...people,
    ...deviceOffers({ view, leaderId, may, say }),
    ...floor,
  ];
}

/** What the desk may do now: acts of people and things, and those that have a key. */
function foundBy(scene: DeskScene, text: string): readonly KeyedOffer[] {
  const offers: readonly KeyedOffer[] = offersOf(scene);
  const keyed = deskKeys.flatMap(({ key, words, act }): KeyedOffer[] => {
    const command = act(scene);
    return command && typeof command !== "string" ? [{ words: words(scene.say), command, keys: key }] : [];
  });
  const others = keyed.filter(({ words }) => !offers.some((offer) => offer.words === words));
  return bestOf([...offers, ...others], text).slice(0, mostFound);
}

/** Every act that has a key: read before anything is typed. */
function KeyedActs() {
  const say = useSay();
  return (
    <>
      <p>{say`Two letters are enough.`}</p>
      <ul className="mt-2 grid grid-cols-3 gap-x-6 gap-y-0.5 text-label">
        {deskKeys.map(({ key, words }) => (
          <li key={key} className="flex gap-2">
            <Shortcut keys={key} />
            {words(say)}
          </li>
        ))}
      </ul>
    </>
  );
}

/** The command line: a few letters of a person and an act. */
export function DeskLine({ scene, onClose }: { scene: DeskScene; onClose: () => void }) {
  const say = useSay();
  return (
    <CommandLine
      label={say`Command line`}
      field={say`Person and act`}
      placeholder={say`person and act, as in: ines stage`}
      nothing={say`No such person or act.`}
      untouched={<KeyedActs />}
      find={(text) =>
        foundBy(scene, text).map(({ words, command, keys }) => ({
          id: words,
          label: words,
          ...(keys ? { keys } : {}),
          run: () => void scene.send(command),
        }))
      }
      onClose={onClose}
    />
  );
}
