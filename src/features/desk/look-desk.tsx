"use client";
import { phrase } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { paper, readableLook } from "@/core/front-door";
import { lookStyle } from "@/features/shared/look";
import { Button, Checkbox, Dialog, Field, Input } from "@/ui";
import type { DeskScene } from "./scene";

/** A few that suit a shore, by name; any other is picked beside them. */
const offered = [
  { colour: "#0E5A5A", words: phrase("Marsh green") },
  { colour: "#24507A", words: phrase("Deep water") },
  { colour: "#7A3B1E", words: phrase("Rust") },
  { colour: "#5B3A6B", words: phrase("Heather") },
  { colour: "#3F5B1D", words: phrase("Samphire") },
] as const;

/** How a screen of the audience looks with it, before anybody sees it. */
function Sample({ colour, isTinted }: { colour: string; isTinted: boolean }) {
  const say = useSay();
  return (
    <div
      data-theme="paper"
      className="rounded-sheet border border-rule p-3"
      style={{ background: paper, ...lookStyle(colour, isTinted) }}
    >
      <p className="text-lead font-semibold text-[#1B1F23]">{say`Tides and the saltmarsh`}</p>
      <p style={{ color: "var(--action)" }}>{say`Words that lead somewhere`}</p>
      <span
        className="mt-2 inline-block rounded-control px-3 py-1"
        style={{ background: "var(--event-ground)", color: "var(--event-on-ground)" }}
      >
        {say`An act`}
      </span>
    </div>
  );
}

/** The room's colours, changed for everybody at once and taken back. */
export function LookDesk({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const { view, send } = scene;
  const worn = view.look["it"]!;
  const kept = view.lookChanges["it"]!;
  const [isOpen, setOpen] = useState(false);
  const [colour, setColour] = useState(worn.colour);
  const [isTinted, setTinted] = useState(worn.isTinted);
  const [showsPicture, setShowsPicture] = useState(worn.showsPicture);
  const isColour = /^#[0-9a-f]{6}$/i.test(colour);
  const open = (next: boolean) => {
    setOpen(next);
    if (!next) return;
    setColour(worn.colour);
    setTinted(worn.isTinted);
    setShowsPicture(worn.showsPicture);
  };
  const wear = async () => {
    const dressing = { colour, isTinted, showsPicture };
    const receipt = await send({ type: "look.wear", dressing, seen: kept.changes });
    if (receipt.ok) setOpen(false);
  };
  return (
    <Dialog
      title={say`Colours of the room`}
      description={say`Foyer and room have them at once, for everybody.`}
      isOpen={isOpen}
      onOpenChange={open}
      trigger={
        <Button size="small" weight="plain">
          {say`Colours …`}
        </Button>
      }
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (isColour) void wear();
        }}
      >
        <div className="flex flex-wrap gap-2" role="group" aria-label={say`Colours that suit`}>
          {offered.map((one) => (
            <Button
              key={one.colour}
              aria-pressed={colour === one.colour}
              className={colour === one.colour ? "border-action!" : ""}
              onClick={() => setColour(one.colour)}
            >
              <span
                aria-hidden
                className="me-1 inline-block size-3 rounded-control"
                style={{ background: one.colour }}
              />
              {say.of(one.words)}
            </Button>
          ))}
        </div>
        <Field
          label={say`Another colour`}
          error={isColour ? undefined : say`Six digits after a #, as #24507A.`}
          hint={
            isColour && readableLook(colour).wasDarkened
              ? say`Words in it are darkened until they can be read.`
              : undefined
          }
        >
          {(ids) => (
            <Input {...ids} className="w-32" value={colour} onChange={({ target }) => setColour(target.value.trim())} />
          )}
        </Field>
        <label className="flex items-center gap-2">
          <Checkbox checked={isTinted} onChange={({ target }) => setTinted(target.checked)} />
          {say`A breath of it behind everything`}
        </label>
        <label className="flex items-center gap-2">
          <Checkbox checked={showsPicture} onChange={({ target }) => setShowsPicture(target.checked)} />
          {say`The event’s picture on top`}
        </label>
        {isColour && <Sample colour={colour} isTinted={isTinted} />}
        <div className="flex flex-wrap gap-2">
          <Button type="submit" weight="act">
            {say`Use it`}
          </Button>
          {kept.mayUndo && (
            <Button onClick={() => void send({ type: "look.undo", seen: kept.changes })}>
              {say`Take the last change back`}
            </Button>
          )}
        </div>
      </form>
    </Dialog>
  );
}
