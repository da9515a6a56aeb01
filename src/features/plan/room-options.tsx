"use client";
import { chatReaches, markers, questionViews } from "@/core/people";
import { markersWords, othersSeeWords } from "@/features/shared/switch-words";
import { reachWords } from "@/features/shared/chat/reach-words";
import { useFormContext, useWatch } from "react-hook-form";
import type { PlanInput } from "@/contracts";
import { bandwidthOf, heavyKbps, type Picture } from "@/core/organisation";
import { Field, Select } from "@/ui";
import { overflowReaches } from "@/core/programme";
import { overflowWords } from "./plan-words";
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

/** How questions are asked and what is seen of them; it can be turned during the hour too. */
function QuestionOptions() {
  const { register, control } = useFormContext<PlanInput>();
  const isOn = useWatch({ control, name: "switches.questions.on" });
  if (!isOn) return null;
  return (
    <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
      <Field label="Of others’ questions the audience sees" id="switches.questions.othersSee">
        {(ids) => (
          <Select {...ids} {...register("switches.questions.othersSee")}>
            {questionViews.map((view) => (
              <option key={view} value={view}>
                {othersSeeWords[view]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Check name="switches.questions.isHeld" label="… after somebody has looked at them" />
      <Check name="switches.questions.anonymous" label="May be asked without a name" />
      <Check name="switches.questions.votes" label="Others may vote for them" />
      <Check name="switches.questions.comments" label="Others may comment on them" />
      <Check name="switches.questions.tellsNotTaken" label="Who asked is told when theirs is not taken" />
    </div>
  );
}

/** Whom the audience may write to, and who draws on the slides; both can be turned during the hour too. */
function ChatOptions() {
  const { register } = useFormContext<PlanInput>();
  return (
    <div className="grid items-end gap-4 sm:grid-cols-2">
      <Field label="In the chat the audience writes to" id="switches.chat.to">
        {(ids) => (
          <Select {...ids} {...register("switches.chat.to")}>
            {chatReaches.map((reach) => (
              <option key={reach} value={reach}>
                {reachWords[reach]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <Check name="switches.chat.isHeld" label="Somebody looks at every line before all see it" />
      <Field label="Who draws on the slides" id="switches.marking.who">
        {(ids) => (
          <Select {...ids} {...register("switches.marking.who")}>
            {markers.map((who) => (
              <option key={who} value={who}>
                {markersWords[who]}
              </option>
            ))}
          </Select>
        )}
      </Field>
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
        <Check name="switches.questions.on" label="Questions" />
        <Check name="switches.polls.on" label="Polls" />
        <Check name="switches.paging.on" label="People may turn the slides for themselves" />
        <Check name="switches.door.on" label="People are let in one by one" />
        <Check name="switches.hands.on" label="Raised hands" />
        <Check name="switches.hands.endsWithSegment" label="… until the segment ends" />
        <Check name="switches.signals.on" label="Signals: applause, yes and no, cannot hear" />
        <Check name="switches.count.on" label="The audience sees how many are there" />
        <Check name="switches.names.on" label="The audience sees the names of those who ask" />
        <Check name="switches.rename.on" label="People may change how they are called in the room" />
        <Check name="earlyEntry" label="Backstage is open to all of the stage once one is in" />
        <Check name="stageMicrophonesOpen" label="Microphones of the stage start open" />
        <Check name="stageCamerasOpen" label="Cameras of the stage start open" />
        <Check name="provesAddress" label="Each device is let in by a one-time link to its holder’s address" />
        <Check name="foyerOn" label="A foyer before the doors" />
      </div>
      <QuestionOptions />
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
        <Field label="When the room is full" id="overflow">
          {(ids) => (
            <Select {...ids} {...register("overflow")}>
              {overflowReaches.map((reach) => (
                <option key={reach} value={reach}>
                  {overflowWords[reach]}
                </option>
              ))}
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
          <>
            <Text name="creditThresholdPercent" label="… for being there, % of the time" type="number" />
            <Text
              name="creditChecks"
              label="… and for presence checks answered, at least"
              type="number"
              nullable
              hint="Empty: none are needed. A presence check is a kind of poll."
            />
            <Check name="creditIsPartial" label="Who was there for less gets a part, in proportion" />
          </>
        )}
      </div>
    </section>
  );
}
