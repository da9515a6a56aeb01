"use client";
import { useSay } from "@/features/shared/say/say";
import { cardKinds } from "@/core/room";
import { cardWords } from "@/features/shared/card-words";
import { spanText } from "@/features/shared/times";
import { Button, Menu } from "@/ui";
import type { DeskScene } from "./scene";

/** A card held up to the stage alone: chosen from a few, up until it is taken down or the next cue comes. */
export function CardActs({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, send, may, now } = scene;
  if (!may("cues.show-card")) return null;
  const card = view.card["it"];
  if (card)
    return (
      <p className="flex items-center gap-2 border-s-4 border-attention bg-sheet px-2 py-1">
        <span className="min-w-0 flex-1">
          {say`Card up:`} <span className="font-semibold">{say.of(cardWords[card.kind])}</span>{" "}
          <span className="mono text-label text-ink-2">{spanText(Math.max(0, now - card.at))}</span>
        </span>
        <Button onClick={() => send({ type: "cues.take-card-down" })}>{say`Take down`}</Button>
      </p>
    );
  return (
    <Menu
      trigger={<Button weight="plain">{say`Show the stage a card`}</Button>}
      items={cardKinds.map((kind) => ({
        label: say.of(cardWords[kind]),
        onSelect: () => void send({ type: "cues.show-card", card: kind }),
      }))}
    />
  );
}
