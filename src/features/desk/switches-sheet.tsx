"use client";
import { useSay } from "@/features/shared/say/say";
import { useState } from "react";
import { chatReaches, questionViews, type ChatReach, type QuestionView } from "@/core/people";
import { reachWords } from "@/features/shared/chat/reach-words";
import { othersSeeWords } from "@/features/shared/switch-words";
import { Button, Checkbox, Confirm, Field, Select, Switch, toast } from "@/ui";
import type { DeskScene } from "./scene";
import { hintOf, SlideSwitches, type PartProps, type SetSwitch } from "./slide-switches";
import { SoundSwitches } from "./sounds";

/** The further settings of one switch: each is turned for itself. */
function Flags<V extends object>(props: {
  flags: readonly (readonly [label: string, name: keyof V & string])[];
  now: V;
  isDisabled: boolean;
  onChange: (value: Partial<V>) => void;
}) {
  return (
    <div className="-mt-2 flex flex-col gap-1.5 border-s-2 border-rule ps-3">
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

/** Whom the audience writes to, and whether somebody looks first. */
function ChatSwitches({ scene, isDisabled, turn }: PartProps) {
  const say = useSay();
  const now = scene.view.switches["it"]!;
  return (
    <>
      <Field label={say`In the chat the audience writes to`}>
        {(ids) => (
          <Select
            {...ids}
            disabled={isDisabled}
            value={now.chat.to}
            onChange={(event) => void turn({ name: "chat", value: { to: event.target.value as ChatReach } })}
          >
            {chatReaches.map((one) => (
              <option key={one} value={one}>
                {say.of(reachWords[one])}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Switch
        label={say`Look at lines first`}
        hint={hintOf(scene, "chat", say`Lines wait in the in-tray until they are let through.`)}
        isOn={now.chat.isHeld}
        isDisabled={isDisabled}
        onChange={(isHeld) => void turn({ name: "chat", value: { isHeld } })}
      />
    </>
  );
}

/** What the audience sees of itself. */
function WhatIsSeen(props: { scene: DeskScene; isDisabled: boolean; turn: (set: SetSwitch["set"]) => Promise<void> }) {
  const say = useSay();
  const { scene, isDisabled, turn } = props;
  const { view } = scene;
  const now = view.switches["it"]!;
  const count = view.figures["house"]?.count ?? 0;
  return (
    <>
      <Switch
        label={say`The audience sees how many are there`}
        hint={hintOf(scene, "count", say`${count} in the audience now.`)}
        isOn={now.count.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "count", value: { on } })}
      />
      <Switch
        label={say`The audience sees the names of those who ask`}
        hint={hintOf(scene, "names", say`Never of those who ask without a name.`)}
        isOn={now.names.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "names", value: { on } })}
      />
      <Switch
        label={say`People may change how they are called here`}
        hint={hintOf(scene, "rename", say`Files keep the name they registered with.`)}
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
  const say = useSay();
  return (
    <Confirm
      trigger={<Button className="self-start">{say`Keep these for the next dates …`}</Button>}
      title={say`Keep these settings?`}
      act={say`Keep them`}
      weight="act"
      onConfirm={() =>
        void keep().then((done) => toast(done.ok ? say`The event’s next dates begin with these settings.` : done.words))
      }
    >
      <p>{say`The event’s plan takes them over as they stand now; each of its dates to come begins with them.`}</p>
    </Confirm>
  );
}

/** The audience's settings on one sheet; each takes effect at once on every screen. */
export function SwitchesSheet({ scene, keep }: { scene: DeskScene; keep: KeepSwitches | null }) {
  const say = useSay();
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
  const audience = say`${count} in the audience`;
  return (
    <div className="flex flex-col gap-4 overflow-y-auto pb-4">
      <Switch
        label={say`Questions`}
        hint={hintOf(scene, "questions", say`${audience} can ask and vote.`)}
        isOn={now.questions.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "questions", value: { on } })}
      />
      <Field label={say`Of others’ questions the audience sees`}>
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
                {say.of(othersSeeWords[one])}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Flags
        flags={[
          [say`May be asked without a name`, "anonymous"],
          [say`New ones are looked at before others see them`, "isHeld"],
          [say`Others may vote for them`, "votes"],
          [say`Others may comment on them`, "comments"],
          [say`Who asked is told when theirs is not taken`, "tellsNotTaken"],
        ]}
        now={now.questions}
        isDisabled={isDisabled}
        onChange={(value) => void turn({ name: "questions", value })}
      />
      <Switch
        label={say`Raised hands`}
        hint={hintOf(scene, "hands", say`${audience} can raise a hand; those that are up stay.`)}
        isOn={now.hands.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "hands", value: { on } })}
      />
      <Flags
        flags={[[say`Hands go down when their segment ends`, "endsWithSegment"]]}
        now={now.hands}
        isDisabled={isDisabled}
        onChange={(value) => void turn({ name: "hands", value })}
      />
      <Switch
        label={say`Signals`}
        hint={hintOf(scene, "signals", say`${audience} can applaud, say yes and no, and that they cannot hear.`)}
        isOn={now.signals.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "signals", value: { on } })}
      />
      <Switch
        label={say`Polls`}
        hint={hintOf(scene, "polls", say`Open polls reach ${audience}.`)}
        isOn={now.polls.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "polls", value: { on } })}
      />
      <ChatSwitches scene={scene} isDisabled={isDisabled} turn={turn} />
      <SlideSwitches scene={scene} isDisabled={isDisabled} turn={turn} audience={audience} />
      <Switch
        label={say`Let people in one by one`}
        hint={hintOf(scene, "door", say`Whoever comes waits at the door until somebody of the team lets them in.`)}
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
