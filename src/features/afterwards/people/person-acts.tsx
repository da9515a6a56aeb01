"use client";
import { useRef, useState } from "react";
import type { Done } from "@/contracts";
import { instantOf, wallTimeAt } from "@/core/time";
import { useDialogAct } from "@/features/shared/use-dialog-act";
import { ActButton } from "@/features/shared/act-button";
import { Button, Combobox, Dialog, Field, Input, Note, toast, type Choice } from "@/ui";

type Send<T> = (input: T) => Promise<Done<unknown>>;

const typedForMs = 250;

/** What is found by a few letters, asked for once somebody has stopped typing; the latest answer stands. */
function useFound(find: (words: string) => Promise<Done<readonly Choice[]>>) {
  const [choices, setChoices] = useState<readonly Choice[]>([]);
  const asked = useRef({ timer: 0, turn: 0 });
  const look = (words: string, afterMs = typedForMs) => {
    window.clearTimeout(asked.current.timer);
    asked.current.timer = window.setTimeout(() => {
      const turn = (asked.current.turn += 1);
      void find(words).then((done) => {
        if (done.ok && turn === asked.current.turn) setChoices(done.value);
      });
    }, afterMs);
  };
  return { choices, look };
}

/** Two lines that are one person: the other is chosen by name. */
export function MergeInto(props: {
  name: string;
  personKey: string;
  /** lines of the date by a few letters; so many at once as can be looked through */
  find: (words: string) => Promise<Done<readonly Choice[]>>;
  merge: Send<{ personKey: string; intoKey: string }>;
}) {
  const { isOpen, setOpen, wrong, isPending, send } = useDialogAct();
  const [intoKey, setInto] = useState("");
  const { choices, look } = useFound(props.find);
  return (
    <Dialog
      isOpen={isOpen}
      onOpenChange={(open) => {
        setOpen(open);
        if (open) look("", 0);
      }}
      trigger={<Button>Same person as …</Button>}
      title={`${props.name} is the same person as`}
      description="What both did counts as one person’s, in every figure and file. It can be undone."
    >
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Combobox
        label="Person"
        placeholder="Choose somebody of this date"
        choices={choices}
        value={intoKey}
        onWords={look}
        onChange={setInto}
      />
      <Button
        weight="act"
        className="mt-3"
        disabled={isPending || intoKey === ""}
        onClick={() => send(() => props.merge({ personKey: props.personKey, intoKey }))}
      >
        Merge
      </Button>
    </Dialog>
  );
}

/** An instant as people write it, to the second. */
const local = (at: number, zone: string): string => {
  const seconds = new Date(at).toISOString().slice(17, 19);
  return `${wallTimeAt(at, zone).local}:${seconds}`;
};
/** null for what is no date and hour. */
function instantFrom(text: string, zone: string): number | null {
  const [, minutes, seconds] = /^(\d{4}-\d\d-\d\dT\d\d:\d\d)(?::(\d\d))?$/.exec(text.trim().replace(" ", "T")) ?? [];
  if (!minutes) return null;
  try {
    return instantOf({ local: minutes, zone }) + Number(seconds ?? 0) * 1000;
  } catch {
    return null;
  }
}

/** Puts one entry right: from, to, and why. */
export function CorrectEntry(props: {
  entryKey: string;
  inAt: number;
  outAt: number;
  zone: string;
  correct: Send<{ entryKey: string; inAt: number; outAt: number; reason: string }>;
}) {
  const { zone } = props;
  const { isOpen, setOpen, wrong, setWrong, isPending, send } = useDialogAct();
  const [from, setFrom] = useState(local(props.inAt, zone));
  const [to, setTo] = useState(local(props.outAt, zone));
  const [reason, setReason] = useState("");
  const submit = () => {
    const [inAt, outAt] = [instantFrom(from, zone), instantFrom(to, zone)];
    if (inAt === null || outAt === null) return setWrong("A moment is written as in: 2026-11-26 18:04:30.");
    send(
      () => props.correct({ entryKey: props.entryKey, inAt, outAt, reason }),
      () => toast("Saved. Every figure counts it so."),
    );
  };
  const field = (label: string, value: string, set: (text: string) => void) => (
    <Field label={label}>
      {(ids) => (
        <Input {...ids} className="mono" value={value.replace("T", " ")} onChange={(e) => set(e.target.value)} />
      )}
    </Field>
  );
  return (
    <Dialog
      isOpen={isOpen}
      onOpenChange={setOpen}
      trigger={
        <Button size="small" weight="plain">
          Correct …
        </Button>
      }
      title="Correct this entry"
      description={`Hours of ${zone.replaceAll("_", " ")}. What was written down live is kept beside it.`}
    >
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <div className="grid grid-cols-2 gap-3">
        {field("Came in", from, setFrom)}
        {field("Went out", to, setTo)}
      </div>
      <Field label="Reason" className="mt-3">
        {(ids) => <Input {...ids} maxLength={300} value={reason} onChange={(event) => setReason(event.target.value)} />}
      </Field>
      <Button weight="act" className="mt-3" disabled={isPending || reason.trim() === ""} onClick={submit}>
        Save
      </Button>
    </Dialog>
  );
}

/** One act on somebody's line that needs no words: it is only tried, or undone. */
export const OneAct = ({ act, words, done }: { act: () => Promise<Done<unknown>>; words: string; done: string }) => (
  <ActButton act={act} words={words} onDone={() => toast(done)} />
);
