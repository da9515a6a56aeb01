"use client";
import { useEffect, useRef, useState } from "react";
import { Input, Press } from "@/ui";
import { cardKinds } from "@/core/room";
import { cardWords } from "@/features/shared/card-words";
import { deviceOffers } from "./device-offers";
import type { Offer } from "./offer";
import { pollOffers } from "./poll-offers";
import { questionOffers } from "./questions/question-offers";
import type { DeskScene } from "./scene";
import { channelOffers, sideOffers } from "./side-offers";

/** What the desk may do about the audience: the floor given and taken back, hands lowered. */
function floorOffers({ view, may }: Pick<DeskScene, "view" | "may">): readonly Offer[] {
  if (!may("floor.offer")) return [];
  const given = Object.entries(view.floor).map(([ticketId, { name, isOnStage }]): Offer => ({
    words: `${name}: ${isOnStage ? "back to the audience" : "take the floor back"}`,
    command: { type: "floor.withdraw", ticketId },
  }));
  const lowered = Object.entries(view.hands).map(([ticketId, { name }]): Offer => ({
    words: `${name}: lower the hand`,
    command: { type: "floor.lower-for", ticketId },
  }));
  const offered = Object.entries(view.audience)
    .filter(([id, person]) => person.place === "house" && !(id in view.floor))
    .flatMap(([ticketId, { name }]): Offer[] => [
      { words: `${name}: give the floor`, command: { type: "floor.offer", ticketId, parts: ["sound"] } },
      { words: `${name}: bring on stage`, command: { type: "floor.bring-on-stage", ticketId } },
    ]);
  const all: Offer[] =
    lowered.length > 1 ? [{ words: "Lower every raised hand", command: { type: "floor.lower-all" } }] : [];
  return [...given, ...all, ...lowered, ...offered];
}

/** Every act the desk has now, in words: person and act first, then the room's own. */
function offersOf({ view, segments, currentIndex, may, now }: DeskScene): readonly Offer[] {
  const status = view.status["it"]!;
  const cue = view.cue["it"]!;
  const leavingSegmentId = cue.currentSegmentId;
  const people: Offer[] = !may("stage.move")
    ? []
    : Object.entries(view.stage).flatMap(([ticketId, person]) =>
        (["stage", "standby", "backstage"] as const)
          .filter((place) => place !== person.place)
          .map((place) => ({
            words: `${person.name}: ${place === "stage" ? "bring on stage" : place}`,
            command: { type: "stage.move", ticketId, place } as const,
          })),
      );
  const floor = floorOffers({ view, may });
  const acts: Offer[] = [];
  if (may("cues.show-card"))
    for (const card of cardKinds)
      acts.push({ words: `Card to the stage: ${cardWords[card]}`, command: { type: "cues.show-card", card } });
  const leaderId = segments[currentIndex]?.leaderId ?? null;
  if (may("hour.drop-curtain"))
    acts.push(
      status.isCurtainUp
        ? { words: "Drop the curtain", command: { type: "hour.drop-curtain" } }
        : { words: "Raise the curtain", command: { type: "hour.raise-curtain", moves: status.curtainMoves } },
    );
  if (may("hour.hold-doors"))
    acts.push({
      words: status.areDoorsHeld ? "Release the doors" : "Hold the doors",
      command: { type: status.areDoorsHeld ? "hour.release-doors" : "hour.hold-doors" },
    });
  if (may("cues.next"))
    for (const [i, segment] of segments.entries())
      if (i !== currentIndex)
        acts.push({
          words: `Cue: ${segment.title}`,
          command: { type: "cues.jump", leavingSegmentId, segmentId: segment.id },
        });
  return [
    ...acts,
    ...pollOffers({ view, may }),
    ...questionOffers({ view, may }),
    ...sideOffers({ view, may, now }),
    ...channelOffers({ view, may }),
    ...people,
    ...deviceOffers({ view, leaderId, may }),
    ...floor,
  ];
}

/** The command line: type a few letters of a person and an act; one match runs, several are asked about. */
export function CommandLine({ scene, onClose }: { scene: DeskScene; onClose: () => void }) {
  const [text, setText] = useState("");
  const [at, setAt] = useState(0);
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => input.current?.focus(), []);
  const parts = text.toLowerCase().split(/\s+/).filter(Boolean);
  // an untouched line means nothing: Enter on it does nothing
  const matches =
    parts.length === 0
      ? []
      : offersOf(scene)
          .filter((offer) => parts.every((part) => offer.words.toLowerCase().includes(part)))
          .slice(0, 8);
  const run = (offer: Offer | undefined) => {
    if (!offer) return;
    scene.send(offer.command);
    onClose();
  };
  return (
    <div
      role="dialog"
      aria-label="Command line"
      className="fixed inset-x-0 bottom-0 border-t-2 border-action bg-sheet p-4 shadow-xl"
    >
      <Input
        ref={input}
        aria-label="Person and act"
        className="mono text-lead"
        placeholder="person and act, as in: ines stage"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === "Escape") onClose();
          if (event.key === "ArrowDown") setAt((i) => Math.min(i + 1, matches.length - 1));
          if (event.key === "ArrowUp") setAt((i) => Math.max(i - 1, 0));
          if (event.key === "Enter") run(matches[at]);
        }}
      />
      <ul className="mt-2">
        {matches.length === 0 && (
          <li className="text-ink-2">{parts.length === 0 ? "Two letters are enough." : "No such person or act."}</li>
        )}
        {matches.map((offer, i) => (
          <li key={offer.words}>
            <Press onClick={() => run(offer)} className={`w-full px-2 py-1 text-left ${i === at ? "bg-raised" : ""}`}>
              {offer.words}
            </Press>
          </li>
        ))}
      </ul>
    </div>
  );
}
