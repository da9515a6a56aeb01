"use client";
import { phrase } from "@/contracts/say";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { mostSideRoomsFileBytes, wordsOf, type Done, type SideRoomsRead } from "@/contracts";
import { Button, Field, FieldError, FileInput, Textarea, toast } from "@/ui";
import type { DeskScene } from "../scene";
import { groupsIn, type KnownPerson } from "./groups-in";

export type BringSideRooms = (input: { text: string }) => Promise<Done<SideRoomsRead>>;

const whyWords: Readonly<Record<SideRoomsRead["bad"][number]["why"], string>> = {
  "no-room": phrase("no room is named"),
  "unknown-address": phrase("nobody with this address is registered"),
  twice: phrase("the person stands in it twice"),
};

/** A file of rooms: what it came to is said, row by row where somebody could not be placed. */
export function BringFile({ bring }: { bring: BringSideRooms }) {
  const say = useSay();
  const [said, setSaid] = useState<SideRoomsRead | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const read = async (file: File) => {
    setSaid(null);
    if (file.size > mostSideRoomsFileBytes) return setWrong(say`The file is larger than 200 kB. Nothing was changed.`);
    const done = await bring({ text: await file.text() });
    setWrong(done.ok ? null : done.words);
    if (done.ok) setSaid(done.value);
  };
  return (
    <div className="flex flex-col gap-1">
      <Field label={say`Rooms from a file`} hint={say`A table with the columns room and email.`}>
        {(ids) => (
          <FileInput
            {...ids}
            accept=".csv,text/csv"
            onChange={({ target }) => {
              const file = target.files?.[0];
              if (file) void read(file);
            }}
          />
        )}
      </Field>
      {wrong && <FieldError>{wrong}</FieldError>}
      {said && (
        <div role="status">
          <p>{say`People put into a room: ${said.placed}. Rooms: ${said.rooms}.`}</p>
          {said.bad.length > 0 && (
            <ul className="text-attention">
              {said.bad.slice(0, 20).map(({ line, why }) => (
                <li key={line}>{say`Line ${line}: ${say.of(whyWords[why])}`}</li>
              ))}
              {said.bad.length > 20 && <li>{say`and ${said.bad.length - 20} more`}</li>}
            </ul>
          )}
        </div>
      )}
    </div>
  );
}

/** Everybody who can be named: who is there, and who has a room already. */
const peopleOf = ({ view }: DeskScene): readonly KnownPerson[] =>
  Object.entries({ ...view.sideMembers, ...view.audience }).map(([ticketId, { name }]) => ({ ticketId, name }));

/** People into rooms by chance, with who belongs together and who apart; what contradicts is named. */
export function FillRooms({ scene, bring }: { scene: DeskScene; bring: BringSideRooms }) {
  const say = useSay();
  const [together, setTogether] = useState("");
  const [apart, setApart] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const mix = async () => {
    const people = peopleOf(scene);
    const read = [together, apart].map((text) => groupsIn(text, people));
    const unknown = read.flatMap((one) => (one.ok ? [] : one.unknown));
    if (unknown.length > 0) return setWrong(say`Nobody here is called: ${unknown.join(", ")}.`);
    const [same, other] = read.map((one) => (one.ok ? one.groups : []));
    const seed = crypto.getRandomValues(new Uint32Array(1))[0]! >>> 1;
    const receipt = await scene.send({ type: "sideRooms.shuffle", seed, together: same!, apart: other! });
    if (receipt.ok) {
      setWrong(null);
      toast.message(say`Everybody has a room.`);
      return;
    }
    const { failure } = receipt;
    if (failure.code !== "no-allotment") return setWrong(null);
    const names = failure.people.map((id) => people.find((one) => one.ticketId === id)?.name ?? say`somebody`);
    setWrong(`${wordsOf(failure)}${names.length > 0 ? say` It is about ${names.join(", ")}.` : ""}`);
  };
  return (
    <div className="flex flex-col gap-2 border-t border-rule pt-3">
      <div className="grid gap-2 md:grid-cols-2">
        <Field label={say`Who belongs together`} hint={say`One group a line, names parted by commas.`}>
          {(ids) => (
            <Textarea {...ids} rows={2} value={together} onChange={({ target }) => setTogether(target.value)} />
          )}
        </Field>
        <Field label={say`Who is to be apart`} hint={say`One group a line, names parted by commas.`}>
          {(ids) => <Textarea {...ids} rows={2} value={apart} onChange={({ target }) => setApart(target.value)} />}
        </Field>
      </div>
      <div role="alert">{wrong && <FieldError>{wrong}</FieldError>}</div>
      <div className="flex flex-wrap items-end gap-4">
        <Button onClick={() => void mix()}>{say`Mix people by chance`}</Button>
        <BringFile bring={bring} />
      </div>
    </div>
  );
}
