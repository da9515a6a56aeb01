"use client";
import { useState } from "react";
import type { CommandBody } from "@/contracts";
import {
  chatReaches,
  markers,
  questionViews,
  type ChatReach,
  type Markers,
  type QuestionView,
  type Switches,
} from "@/core/people";
import { clockTime } from "@/core/time";
import { reachWords } from "@/features/shared/chat/reach-words";
import { markersWords, othersSeeWords } from "@/features/shared/switch-words";
import { Button, ChoiceBar, Checkbox, Confirm, Field, Select, Switch, toast } from "@/ui";
import type { DeskScene } from "./scene";
import { SoundSwitches } from "./sounds";

type SetSwitch = Extract<CommandBody, { type: "hour.set-switch" }>;

/** What a switch changes, for how many, and who turned it last. */
function hintOf(scene: DeskScene, name: keyof Switches, changes: string): string {
  const turned = scene.view.turned[name];
  const last = turned ? `Turned by ${turned.byName} at ${clockTime(turned.at, scene.zone)}.` : "As it was planned.";
  return `${changes} ${last}`;
}

/** The further settings of one switch: each is turned for itself. */
function Flags<V extends object>(props: {
  flags: readonly (readonly [label: string, name: keyof V & string])[];
  now: V;
  isDisabled: boolean;
  onChange: (value: Partial<V>) => void;
}) {
  return (
    <div className="-mt-2 flex flex-col gap-1.5 border-l-2 border-rule pl-3">
      {props.flags.map(([label, name]) => (
        <label key={name} className="flex items-center gap-2">
          <Checkbox
            checked={props.now[name] === true}
            disabled={props.isDisabled}
            onChange={(event) => props.onChange({ [name]: event.target.checked } as Partial<V>)}
          />
          {label}
        </label>
      ))}
    </div>
  );
}

interface PartProps {
  readonly scene: DeskScene;
  readonly isDisabled: boolean;
  readonly turn: (set: SetSwitch["set"]) => Promise<void>;
}

/** What people may do with the slides. */
function SlideSwitches({ scene, isDisabled, turn, audience }: PartProps & { audience: string }) {
  const now = scene.view.switches["it"]!;
  return (
    <>
      <Switch
        label="People turn the slides for themselves"
        hint={hintOf(scene, "paging", `${audience} may look at other pages, and come back by one act.`)}
        isOn={now.paging.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "paging", value: { on } })}
      />
      <div className="flex flex-col gap-1">
        <span className="font-medium">Who draws on the slides</span>
        <ChoiceBar
          label="Who draws on the slides"
          isDisabled={isDisabled}
          value={now.marking.who}
          onChange={(who: Markers) => void turn({ name: "marking", value: { who } })}
          choices={markers.map((value) => ({ value, label: markersWords[value] }))}
        />
      </div>
    </>
  );
}

/** Whom the audience writes to, and whether somebody looks first. */
function ChatSwitches({ scene, isDisabled, turn }: PartProps) {
  const now = scene.view.switches["it"]!;
  return (
    <>
      <Field label="In the chat the audience writes to">
        {(ids) => (
          <Select
            {...ids}
            disabled={isDisabled}
            value={now.chat.to}
            onChange={(event) => void turn({ name: "chat", value: { to: event.target.value as ChatReach } })}
          >
            {chatReaches.map((one) => (
              <option key={one} value={one}>
                {reachWords[one]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Switch
        label="Look at lines first"
        hint={hintOf(scene, "chat", "Lines wait in the in-tray until they are let through.")}
        isOn={now.chat.isHeld}
        isDisabled={isDisabled}
        onChange={(isHeld) => void turn({ name: "chat", value: { isHeld } })}
      />
    </>
  );
}

/** What the audience sees of itself. */
function WhatIsSeen(props: { scene: DeskScene; isDisabled: boolean; turn: (set: SetSwitch["set"]) => Promise<void> }) {
  const { scene, isDisabled, turn } = props;
  const { view } = scene;
  const now = view.switches["it"]!;
  const count = view.figures["house"]?.count ?? 0;
  return (
    <>
      <Switch
        label="The audience sees how many are there"
        hint={hintOf(scene, "count", `${count} in the audience now.`)}
        isOn={now.count.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "count", value: { on } })}
      />
      <Switch
        label="The audience sees the names of those who ask"
        hint={hintOf(scene, "names", "Never of those who ask without a name.")}
        isOn={now.names.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "names", value: { on } })}
      />
      <Switch
        label="People may change how they are called here"
        hint={hintOf(scene, "rename", "Files keep the name they registered with.")}
        isOn={now.rename.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "rename", value: { on } })}
      />
    </>
  );
}

/** Keeps what was turned for the dates to come. */
export type KeepSwitches = () => Promise<{ ok: true } | { ok: false; words: string }>;

function Keep({ keep }: { keep: KeepSwitches }) {
  return (
    <Confirm
      trigger={<Button className="self-start">Keep these for the next dates …</Button>}
      title="Keep these settings?"
      act="Keep them"
      weight="act"
      onConfirm={() =>
        void keep().then((done) => toast(done.ok ? "The event’s next dates begin with these settings." : done.words))
      }
    >
      <p>The event’s plan takes them over as they stand now; each of its dates to come begins with them.</p>
    </Confirm>
  );
}

/** The audience's settings on one sheet; each takes effect at once on every screen. */
export function SwitchesSheet({ scene, keep }: { scene: DeskScene; keep: KeepSwitches | null }) {
  const { view, send, may } = scene;
  const now = view.switches["it"]!;
  const count = view.figures["house"]?.count ?? 0;
  const [isBusy, setBusy] = useState(false);
  const turn = async (set: SetSwitch["set"]) => {
    setBusy(true);
    await send({ type: "hour.set-switch", set, seen: now[set.name] } as SetSwitch);
    setBusy(false);
  };
  const isDisabled = isBusy || !may("hour.set-switch");
  const audience = `${count} in the audience`;
  return (
    <div className="flex flex-col gap-4 overflow-y-auto pb-4">
      <Switch
        label="Questions"
        hint={hintOf(scene, "questions", `${audience} can ask and vote.`)}
        isOn={now.questions.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "questions", value: { on } })}
      />
      <Field label="Of others’ questions the audience sees">
        {(ids) => (
          <Select
            {...ids}
            disabled={isDisabled}
            value={now.questions.othersSee}
            onChange={(event) =>
              void turn({ name: "questions", value: { othersSee: event.target.value as QuestionView } })
            }
          >
            {questionViews.map((one) => (
              <option key={one} value={one}>
                {othersSeeWords[one]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Flags
        flags={[
          ["May be asked without a name", "anonymous"],
          ["New ones are looked at before others see them", "isHeld"],
          ["Others may vote for them", "votes"],
          ["Others may comment on them", "comments"],
          ["Who asked is told when theirs is not taken", "tellsNotTaken"],
        ]}
        now={now.questions}
        isDisabled={isDisabled}
        onChange={(value) => void turn({ name: "questions", value })}
      />
      <Switch
        label="Raised hands"
        hint={hintOf(scene, "hands", `${audience} can raise a hand; those that are up stay.`)}
        isOn={now.hands.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "hands", value: { on } })}
      />
      <Flags
        flags={[["Hands go down when their segment ends", "endsWithSegment"]]}
        now={now.hands}
        isDisabled={isDisabled}
        onChange={(value) => void turn({ name: "hands", value })}
      />
      <Switch
        label="Signals"
        hint={hintOf(scene, "signals", `${audience} can applaud, say yes and no, and that they cannot hear.`)}
        isOn={now.signals.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "signals", value: { on } })}
      />
      <Switch
        label="Polls"
        hint={hintOf(scene, "polls", `Open polls reach ${audience}.`)}
        isOn={now.polls.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "polls", value: { on } })}
      />
      <ChatSwitches scene={scene} isDisabled={isDisabled} turn={turn} />
      <SlideSwitches scene={scene} isDisabled={isDisabled} turn={turn} audience={audience} />
      <Switch
        label="Let people in one by one"
        hint={hintOf(scene, "door", "Whoever comes waits at the door until somebody of the team lets them in.")}
        isOn={now.door.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "door", value: { on } })}
      />
      <WhatIsSeen scene={scene} isDisabled={isDisabled} turn={turn} />
      {keep && Object.keys(view.turned).length > 0 && <Keep keep={keep} />}
      <SoundSwitches />
    </div>
  );
}
