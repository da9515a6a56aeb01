"use client";
import { useSay } from "@/features/shared/say/say";
import type { CommandBody } from "@/contracts";
import { chatReaches, type ChatReach, type Switches } from "@/core/people";
import { Field, Select, Switch } from "@/ui";
import { reachWords } from "./reach-words";

/** The chat's switch at the desk. It names the value that it changes: of two who turn it at once one is told. */
export function ChatSwitch({ now, send }: { now: Switches["chat"]; send: (command: CommandBody) => void }) {
  const say = useSay();
  const turn = (value: Switches["chat"]) => send({ type: "hour.set-switch", set: { name: "chat", value }, seen: now });
  return (
    <div className="mb-2 grid grid-cols-2 items-start gap-3 border-b border-rule pb-2">
      <Field label={say`The audience writes to`}>
        {(ids) => (
          <Select {...ids} value={now.to} onChange={(event) => turn({ ...now, to: event.target.value as ChatReach })}>
            {chatReaches.map((reach) => (
              <option key={reach} value={reach}>
                {say.of(reachWords[reach])}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Switch
        label={say`Look at lines first`}
        hint={say`They wait in the in-tray.`}
        isOn={now.isHeld}
        onChange={(isHeld) => turn({ ...now, isHeld })}
      />
    </div>
  );
}
