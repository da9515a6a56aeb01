"use client";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { mostSideRooms } from "@/core/room";
import { Button, Field, Input, Textarea } from "@/ui";
import type { DeskScene } from "../scene";
import { BringFile, type BringSideRooms } from "./fill-rooms";

/** How many side rooms, and what they are called. @param bring null where a file is offered elsewhere */
export function MakeRooms({ scene, bring }: { scene: DeskScene; bring: BringSideRooms | null }) {
  const say = useSay();
  const there = Object.values(scene.view.sideRooms);
  const [count, setCount] = useState(String(there.length || 4));
  const [names, setNames] = useState("");
  const number = Number(count);
  const isRight = Number.isInteger(number) && number >= 0 && number <= mostSideRooms;
  if (!scene.may("sideRooms.make"))
    return there.length === 0 ? <p className="text-ink-2">{say`There are no side rooms.`}</p> : null;
  const make = () => {
    const list = names.split("\n").map((name) => name.trim());
    const known = there.map((room, i) => (room.name === String(i + 1) ? "" : room.name));
    void scene.send({
      type: "sideRooms.make",
      count: number,
      names: (names.trim() === "" ? known : list).slice(0, number),
    });
  };
  return (
    <details open={there.length === 0} className="border-t border-rule pt-2">
      <summary className="cursor-pointer">
        {there.length === 0 ? say`Make side rooms` : say`Other rooms or names`}
      </summary>
      <form
        className="mt-2 flex flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (isRight) make();
        }}
      >
        <Field label={say`How many rooms`} error={isRight ? undefined : say`A number from 0 to ${mostSideRooms}.`}>
          {(ids) => (
            <Input
              {...ids}
              inputMode="numeric"
              className="w-20"
              value={count}
              onChange={({ target }) => setCount(target.value)}
            />
          )}
        </Field>
        <Field
          label={say`What they are called`}
          hint={say`One name a line. Without names they are called by their number.`}
        >
          {(ids) => <Textarea {...ids} rows={3} value={names} onChange={({ target }) => setNames(target.value)} />}
        </Field>
        <div className="flex flex-wrap gap-2">
          <Button type="submit" weight={there.length === 0 ? "act" : "quiet"}>
            {there.length === 0 ? say`Make them` : say`Change them`}
          </Button>
          {bring && <BringFile bring={bring} />}
        </div>
      </form>
    </details>
  );
}
