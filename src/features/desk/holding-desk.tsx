"use client";
import { phrase } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { holdingSounds, type HoldingSound } from "@/core/room";
import { Button, Checkbox, ChoiceBar, Dialog, Field, Input } from "@/ui";
import type { DeskScene } from "./scene";

const soundWords: Readonly<Record<HoldingSound, string>> = {
  silence: phrase("silence"),
  surf: phrase("a quiet shore"),
};

/** What the holding picture says and sounds like: kept as one act. */
export function HoldingDesk({ scene }: { scene: DeskScene }) {
  const say = useSay();
  const holding = scene.view.holding["it"]!;
  const [isOpen, setOpen] = useState(false);
  const [message, setMessage] = useState(holding.message);
  const [countsDown, setCountsDown] = useState(holding.countsDown);
  const [sound, setSound] = useState(holding.sound);
  const [showsPicture, setShowsPicture] = useState(holding.showsPicture);
  const open = (next: boolean) => {
    setOpen(next);
    if (!next) return;
    setMessage(holding.message);
    setCountsDown(holding.countsDown);
    setSound(holding.sound);
    setShowsPicture(holding.showsPicture);
  };
  const keep = async () => {
    const receipt = await scene.send({ type: "scenes.set-holding", message, countsDown, sound, showsPicture });
    if (receipt.ok) setOpen(false);
  };
  return (
    <Dialog
      title={say`Holding picture`}
      description={say`What the audience sees while the curtain is down, or when you choose it.`}
      isOpen={isOpen}
      onOpenChange={open}
      trigger={
        <Button size="small" weight="plain">
          {say`Holding picture …`}
        </Button>
      }
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <Field
          label={say`Message`}
          hint={say`Empty: the room says by itself that it begins shortly, or goes on in a moment.`}
        >
          {(ids) => (
            <Input {...ids} maxLength={200} value={message} onChange={(event) => setMessage(event.target.value)} />
          )}
        </Field>
        <label className="flex items-center gap-2">
          <Checkbox checked={countsDown} onChange={(event) => setCountsDown(event.target.checked)} />
          {say`Count down to the start`}
        </label>
        <label className="flex items-center gap-2">
          <Checkbox checked={showsPicture} onChange={(event) => setShowsPicture(event.target.checked)} />
          {say`The event’s picture behind it`}
        </label>
        <div className="flex flex-col gap-1">
          <span>{say`Sound`}</span>
          <ChoiceBar
            label={say`Sound`}
            value={sound}
            onChange={setSound}
            choices={holdingSounds.map((value) => ({ value, label: say.of(soundWords[value]) }))}
          />
        </div>
        <Button type="submit" weight="act" className="self-start">
          {say`Keep it`}
        </Button>
      </form>
    </Dialog>
  );
}
