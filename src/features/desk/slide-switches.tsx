"use client";
import type { CommandBody } from "@/contracts";
import { markers, type Markers, type Switches } from "@/core/people";
import { clockTime } from "@/core/time";
import { useSay } from "@/features/shared/say/say";
import { markersWords } from "@/features/shared/switch-words";
import { ChoiceBar, Switch } from "@/ui";
import type { DeskScene } from "./scene";

export type SetSwitch = Extract<CommandBody, { type: "hour.set-switch" }>;

/** What a switch changes, for how many, and who turned it last. */
export function hintOf(scene: DeskScene, name: keyof Switches, changes: string): string {
  const turned = scene.view.turned[name];
  const last = turned
    ? scene.say`Turned by ${turned.byName} at ${clockTime(turned.at, scene.zone)}.`
    : scene.say`As it was planned.`;
  return `${changes} ${last}`;
}

export interface PartProps {
  readonly scene: DeskScene;
  readonly isDisabled: boolean;
  readonly turn: (set: SetSwitch["set"]) => Promise<void>;
}

/** What people may do with the slides. */
export function SlideSwitches({ scene, isDisabled, turn, audience }: PartProps & { audience: string }) {
  const say = useSay();
  const now = scene.view.switches["it"]!;
  return (
    <>
      <Switch
        label={say`People turn the slides for themselves`}
        hint={hintOf(scene, "paging", say`${audience} may look at other pages, and come back by one act.`)}
        isOn={now.paging.on}
        isDisabled={isDisabled}
        onChange={(on) => void turn({ name: "paging", value: { on } })}
      />
      <div className="flex flex-col gap-1">
        <span className="font-medium">{say`Who draws on the slides`}</span>
        <ChoiceBar
          label={say`Who draws on the slides`}
          isDisabled={isDisabled}
          value={now.marking.who}
          onChange={(who: Markers) => void turn({ name: "marking", value: { who } })}
          choices={markers.map((value) => ({ value, label: say.of(markersWords[value]) }))}
        />
      </div>
    </>
  );
}
