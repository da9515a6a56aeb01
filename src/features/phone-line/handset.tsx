"use client";
import { useState } from "react";
import type { CallState } from "@/contracts";
import { phoneKeys, type KeyAct } from "@/core/room";
import { Button, Field, Input, Note, Select } from "@/ui";
import { useCall, useRinging } from "./use-call";

const hears: Record<CallState["place"], string> = {
  foyer: "“You are in the foyer. The doors open for everybody at once; please stay on the line.”",
  house: "The programme.",
  backstage: "“You are backstage.” Then whoever has an open microphone there.",
  standby: "“You are on standby.” Then the stage.",
  stage: "The stage: you are on it.",
  over: "The tone of a line that has been hung up.",
};

const keyWords: Record<KeyAct, string> = {
  "raise-hand": "raise a hand",
  "lower-hand": "lower the hand",
  "open-microphone": "open the microphone",
  "close-microphone": "close the microphone",
  "give-back": "give the floor back",
};

function heard({ place, isCurtainUp }: CallState): string {
  return place === "house" && !isCurtainUp ? "“The curtain is down. The programme begins shortly.”" : hears[place];
}

function CallInProgress({
  call,
  state,
  level,
  speak,
}: {
  call: ReturnType<typeof useCall>;
  state: CallState;
  level: number;
  speak: (next: number) => void;
}) {
  return (
    <section className="mt-4 flex flex-col gap-4 bg-sheet p-5" aria-live="polite">
      <div>
        <p className="text-head font-semibold" dir="auto">
          {state.title}
        </p>
        <p className="text-ink-2">
          {state.name} ·{" "}
          {state.place === "over"
            ? "the call is over"
            : `in the ${state.place}`
                .replace("in the backstage", "backstage")
                .replace("in the standby", "on standby")
                .replace("in the stage", "on stage")}
          {state.isMicrophoneOpen !== null && ` · microphone ${state.isMicrophoneOpen ? "open" : "closed"}`}
        </p>
      </div>
      <p>
        <span className="block text-label text-ink-2">You hear</span>
        {heard(state)}
      </p>
      {state.place !== "over" && (
        <label className="block">
          <span className="block text-label text-ink-2">How loud you speak</span>
          <input
            type="range"
            min={0}
            max={100}
            step={5}
            value={level}
            onChange={(event) => speak(Number(event.target.value))}
            className="w-full accent-[var(--action)]"
          />
        </label>
      )}
      <div className="flex flex-wrap gap-2">
        {phoneKeys.map((key) => {
          const act = state.keys[key];
          return (
            act && (
              <Button key={key} onClick={() => void call.press(key)}>
                {key}: {keyWords[act]}
              </Button>
            )
          );
        })}
        <Button onClick={() => void call.hangUp()}>Hang up</Button>
      </div>
    </section>
  );
}

/** A number as it is typed on a telephone. */
const Digits = (props: { label: string; mode: "numeric" | "tel"; value: string; onChange: (next: string) => void }) => (
  <Field label={props.label}>
    {(ids) => (
      <Input
        {...ids}
        className="font-mono"
        inputMode={props.mode}
        value={props.value}
        onChange={(event) => props.onChange(event.target.value)}
      />
    )}
  </Field>
);

/** A telephone that somebody asked to be called at. */
function OwnTelephone({ isFree, pickUp }: { isFree: boolean; pickUp: (answer: string) => void }) {
  const [own, setOwn] = useState("");
  const answer = useRinging(own, isFree);
  return (
    <section className="mt-4 flex flex-col gap-3 bg-sheet p-5" aria-live="polite">
      <Digits label="This telephone’s own number, to be called at" mode="tel" value={own} onChange={setOwn} />
      {answer && (
        <p className="flex items-center gap-3">
          It rings.
          <Button weight="act" onClick={() => pickUp(answer)}>
            Pick up
          </Button>
        </p>
      )}
    </section>
  );
}

/** The stand-in of a telephone: dials a number of the house, types the two numbers, speaks and hangs up. */
export function Handset({ numbers }: { numbers: readonly { country: string; number: string }[] }) {
  const call = useCall();
  const [number, setNumber] = useState(numbers[0]?.number ?? "");
  const [conferenceNumber, setConference] = useState("");
  const [pin, setPin] = useState("");
  const [level, setLevel] = useState(0);
  const speak = (next: number) => {
    setLevel(next);
    call.setLevel(next);
  };
  return (
    <main className="mx-auto max-w-xl px-4 py-8">
      <p className="text-label text-ink-2">
        A stand-in for the telephone network: no real number is dialled, no sound is carried.
      </p>
      <h1 className="mt-1 text-title font-semibold">Phone line</h1>
      {numbers.length === 0 && (
        <Note tone="attention">There is no phone number yet. The owner sets one under Organisation.</Note>
      )}
      {call.wrong && <Note tone="wrong">{call.wrong}</Note>}
      {!call.isOn && numbers.length > 0 && (
        <form
          className="mt-4 flex flex-col gap-4 bg-sheet p-5"
          onSubmit={(event) => {
            event.preventDefault();
            void call.dial({ number, conferenceNumber, pin });
          }}
        >
          <Field label="Number to dial">
            {(ids) => (
              <Select {...ids} value={number} onChange={(event) => setNumber(event.target.value)}>
                {numbers.map((one) => (
                  <option key={one.number} value={one.number}>
                    {one.country} {one.number}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Digits label="Conference number" mode="numeric" value={conferenceNumber} onChange={setConference} />
          <Digits label="PIN" mode="numeric" value={pin} onChange={setPin} />
          <Button type="submit" weight="act" className="self-start">
            Dial in
          </Button>
        </form>
      )}
      {!call.isOn && <OwnTelephone isFree={!call.isOn} pickUp={(answer) => void call.dial({ answer })} />}
      {call.isOn && call.state && <CallInProgress call={call} state={call.state} level={level} speak={speak} />}
    </main>
  );
}
