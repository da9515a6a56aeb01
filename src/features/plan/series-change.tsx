"use client";
import { WhyCancelled } from "./why-cancelled";
import { Button, Checkbox, Confirm, Field, Input, Note } from "@/ui";
import type { ExtentInput } from "@/contracts";
import { useState, type Dispatch, type SetStateAction } from "react";
import { holdsUnread } from "@/features/shared/unread";
import { MomentField } from "../shared/moment-field";
import { StripDate, Preview } from "./series-types";
import { Consequences } from "./date-block";

function MoveFields({
  chosen,
  firstStartLocal,
  setFirst,
  todayLocal,
  firstChosen,
  duration,
  setDuration,
}: {
  chosen: StripDate[];
  firstStartLocal: string;
  setFirst: Dispatch<SetStateAction<string | null>>;
  todayLocal: string;
  firstChosen: StripDate;
  duration: string;
  setDuration: Dispatch<SetStateAction<string>>;
}) {
  return (
    <div className="grid gap-3 sm:grid-cols-[18rem_8rem]">
      <MomentField
        label={`The first of ${chosen.length} marked moves to`}
        value={firstStartLocal}
        onChange={setFirst}
        todayLocal={todayLocal}
      />
      <Field label="Length, min">
        {(ids) => (
          <Input
            {...ids}
            type="number"
            min={5}
            placeholder={String(firstChosen.durationMinutes)}
            value={duration}
            onChange={(event) => setDuration(event.target.value)}
          />
        )}
      </Field>
    </div>
  );
}
function ChangeActs({
  isPending,
  isMoving,
  preview,
  apply,
  marked,
  chosen,
  tellPeople,
  change,
}: {
  isPending: boolean;
  isMoving: boolean;
  preview: Preview | null;
  apply: (input: ExtentInput) => void;
  marked: ReadonlySet<string>;
  chosen: StripDate[];
  tellPeople: boolean;
  change: ExtentInput["change"];
}) {
  const [why, setWhy] = useState("");
  return (
    <div className="flex gap-2">
      <Button
        weight="act"
        disabled={isPending || !isMoving || !preview || preview.refusedWords !== null}
        onClick={(event) =>
          !holdsUnread(event.currentTarget.closest("section")) && apply({ markedIds: [...marked], change })
        }
      >
        Move {chosen.length === 1 ? "the date" : `${chosen.length} dates`}
      </Button>
      <Confirm
        trigger={<Button weight="danger">Cancel {chosen.length === 1 ? "the date" : `${chosen.length} dates`}</Button>}
        title="Cancel"
        act={`Cancel ${chosen.length}`}
        onConfirm={() => apply({ markedIds: [...marked], change: { kind: "call-off", why } })}
      >
        <p>
          {chosen.reduce((sum, date) => sum + date.registered, 0)} registrations lose their date.{" "}
          {tellPeople ? "They are told by mail at once." : "Nobody is told unless you ask for it."} It can be undone
          until something newer is changed.
        </p>
        <WhyCancelled why={why} onChange={setWhy} />
      </Confirm>
    </div>
  );
}
export function MarkedDates({
  last,
  stretch,
  nextIndex,
  marked,
  clear,
  wrong,
  firstChosen,
  chosen,
  firstStartLocal,
  setFirst,
  todayLocal,
  duration,
  setDuration,
  preview,
  tellPeople,
  setTellPeople,
  isPending,
  isMoving,
  apply,
  change,
}: {
  last: number | null;
  stretch: (from: number) => void;
  nextIndex: number;
  marked: ReadonlySet<string>;
  clear: () => void;
  wrong: string | null;
  firstChosen: StripDate | undefined;
  chosen: StripDate[];
  firstStartLocal: string;
  setFirst: Dispatch<SetStateAction<string | null>>;
  todayLocal: string;
  duration: string;
  setDuration: Dispatch<SetStateAction<string>>;
  preview: Preview | null;
  tellPeople: boolean;
  setTellPeople: Dispatch<SetStateAction<boolean>>;
  isPending: boolean;
  isMoving: boolean;
  apply: (input: ExtentInput) => void;
  change: { kind: "move"; firstStartLocal: string; durationMinutes: number | null };
}) {
  return (
    <div className="mt-3 flex flex-col gap-3">
      <div className="flex flex-wrap gap-2">
        <Button disabled={last === null} onClick={() => stretch(last ?? 0)}>
          Mark from there on
        </Button>
        <Button disabled={nextIndex < 0} onClick={() => stretch(nextIndex)}>
          Mark all that lie ahead
        </Button>
        <Button weight="plain" disabled={marked.size === 0} onClick={clear}>
          Mark none
        </Button>
      </div>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {firstChosen && (
        <div className="flex flex-col gap-3 border-l-2 border-action pl-4">
          <MoveFields
            chosen={chosen}
            firstStartLocal={firstStartLocal}
            setFirst={setFirst}
            todayLocal={todayLocal}
            firstChosen={firstChosen}
            duration={duration}
            setDuration={setDuration}
          />
          {preview && <Consequences preview={preview} />}
          <label className="flex items-center gap-2">
            <Checkbox checked={tellPeople} onChange={(event) => setTellPeople(event.target.checked)} /> Tell the people
            concerned by mail
          </label>
          <ChangeActs
            isPending={isPending}
            isMoving={isMoving}
            preview={preview}
            apply={apply}
            marked={marked}
            chosen={chosen}
            tellPeople={tellPeople}
            change={change}
          />
        </div>
      )}
    </div>
  );
}
