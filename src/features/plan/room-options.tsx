"use client";
import { chatReaches } from "@/core/people";
import { reachWords } from "@/features/shared/chat/reach-words";
import { useFormContext, useWatch } from "react-hook-form";
import type { PlanInput } from "@/contracts";
import { bandwidthOf, heavyKbps, type Picture } from "@/core/organisation";
import { Field, Select } from "@/ui";
import { Check, Text } from "./controls";
import { Interpretation } from "./interpretation";
import { pictureWords } from "./picture-words";

const mbit = (kbps: number): string =>
  kbps >= 1_000_000
    ? `${(kbps / 1_000_000).toFixed(1)} Gbit/s`
    : kbps >= 1000
      ? `${(kbps / 1000).toFixed(1)} Mbit/s`
      : `${kbps} kbit/s`;

/** What lines the chosen picture needs, for whom; heavy ones say so with the figure. */
function Bandwidth({ picture, houseSize, onStage }: { picture: Picture; houseSize: number; onStage: number }) {
  const estimate = bandwidthOf({ picture, houseSize, onStage });
  const part = (side: "attendee" | "stage" | "house", words: string, kbps: number) => (
    <span className={estimate.heavy.includes(side) ? "text-attention" : "text-ink-2"}>
      {words} <span className="mono">{mbit(kbps)}</span>
      {estimate.heavy.includes(side) && ` (heavy: above ${mbit(heavyKbps[side])})`}
    </span>
  );
  return (
    <p className="flex flex-wrap gap-x-4 text-label" role="status">
      {part("attendee", "Each attendee receives", estimate.attendeeKbps)}
      {part("stage", `each of ${onStage} on stage sends`, estimate.stageSendKbps)}
      {part("house", "a full house draws", estimate.houseKbps)}
    </p>
  );
}

/** Whom the audience may write to; it can be turned during the hour too. */
function ChatOptions() {
  const { register } = useFormContext<PlanInput>();
  return (
    <div className="grid items-end gap-4 sm:grid-cols-2">
      <Field label="In the chat the audience writes to" id="chatTo">
        {(ids) => (
          <Select {...ids} {...register("chatTo")}>
            {chatReaches.map((reach) => (
              <option key={reach} value={reach}>
                {reachWords[reach]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Check name="chatHeld" label="Somebody looks at every line before all see it" />
    </div>
  );
}

/** What is in the room, and how people come into it. */
export function RoomOptions({ onStage }: { onStage: number }) {
  const { register, control } = useFormContext<PlanInput>();
  const [picture, houseSize, isRecorded, creditPoints] = useWatch({
    control,
    name: ["picture", "houseSize", "isRecorded", "creditPoints"],
  });
  return (
    <section id="room" className="flex flex-col gap-3 border-t border-rule pt-4" aria-label="In the room">
      <div className="flex flex-wrap gap-x-6 gap-y-2">
        <Check name="questionsOn" label="Questions" />
        <Check name="othersQuestionsShown" label="The audience sees each other’s questions" />
        <Check name="pollsOn" label="Polls" />
        <Check name="handsOn" label="Raised hands" />
        <Check name="signalsOn" label="Signals: applause, yes and no, cannot hear" />
        <Check name="earlyEntry" label="Backstage is open to all of the stage once one is in" />
        <Check name="stageMicrophonesOpen" label="Microphones of the stage start open" />
        <Check name="provesAddress" label="Each device is let in by a one-time link to its holder’s address" />
        <Check name="foyerOn" label="A foyer before the doors" />
      </div>
      <ChatOptions />
      <div className="grid items-start gap-4 sm:grid-cols-3">
        <Field label="Picture" id="picture">
          {(ids) => (
            <Select {...ids} {...register("picture")}>
              {(Object.keys(pictureWords) as Picture[]).map((one) => (
                <option key={one} value={one}>
                  {pictureWords[one]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="Sound comes by" id="soundBy">
          {(ids) => (
            <Select {...ids} {...register("soundBy")}>
              <option value="computer">computer</option>
              <option value="both">computer or phone</option>
              <option value="phone">phone alone</option>
            </Select>
          )}
        </Field>
        <Interpretation />
      </div>
      <Bandwidth picture={picture} houseSize={Number(houseSize) || 0} onStage={Math.max(1, onStage)} />
      <div className="grid items-end gap-4 sm:grid-cols-[auto_1fr]">
        <Check name="isRecorded" label="This hour is recorded" />
        {isRecorded ? <Text name="consentText" label="Words that ask for consent" /> : <span />}
      </div>
      <div className="grid items-start gap-4 sm:grid-cols-2">
        <Text name="creditPoints" label="Credit points" type="number" nullable hint="Empty: none are given." />
        {creditPoints !== null && (
          <Text name="creditThresholdPercent" label="… for being there, % of the time" type="number" />
        )}
      </div>
    </section>
  );
}
