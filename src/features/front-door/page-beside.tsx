"use client";
import { Button, classes } from "@/ui";
import type { FrontDoorInput } from "@/contracts";
import { isShown } from "@/core/front-door";
import { useState, type Dispatch, type SetStateAction } from "react";
import { AnswerField } from "./answer-field";
import { DoorFacts } from "./door-facts";
import { DoorView } from "./door-view";

export const widths = { laptop: 1180, phone: 390 } as const;
/** The form as guests will see it, without sending anything. */
function FormPreview({ input, words }: { input: FrontDoorInput; words: DoorFacts["words"] }) {
  const [answers, setAnswers] = useState<Readonly<Record<string, string>>>({});
  return (
    <section className="self-start border-t-4 border-action bg-sheet p-5">
      <p className="mb-3 text-head font-semibold">{words.register}</p>
      <div className="flex flex-col gap-3">
        {[words.name, words.email].map((label) => (
          <div key={label}>
            <span className="text-label font-medium text-ink-2">{label}</span>
            <div className="min-h-9 rounded-control border border-rule" />
          </div>
        ))}
        {input.formFields
          .filter((field) => field.kind !== "hidden" && isShown(field as never, input.formFields as never, answers))
          .map((field) => (
            <AnswerField
              key={field.id}
              field={field as never}
              value={answers[field.id] ?? ""}
              error={undefined}
              required={words.required}
              countries={[]}
              onChange={(value) => setAnswers((before) => ({ ...before, [field.id]: value }))}
            />
          ))}
        <div className="min-h-10 rounded-control bg-action px-4 py-2 text-center font-medium text-on-action">
          {words.submit}
        </div>
      </div>
    </section>
  );
}
function ScaledPage({
  width,
  scale,
  facts,
  input,
}: {
  width: "phone" | "laptop";
  scale: 0.44 | 0.8;
  facts: DoorFacts;
  input: FrontDoorInput;
}) {
  return (
    <div className="h-[40rem] overflow-auto border border-rule bg-ground" inert>
      <div style={{ width: widths[width], transform: `scale(${scale})`, transformOrigin: "0 0" }}>
        <DoorView
          isBeside
          title={facts.title}
          organisation={facts.organisation}
          look={input.look}
          when={
            <div className="mt-3 border-s-4 border-action ps-3">
              <p className="text-lead">{facts.when}</p>
              {facts.besides.map((line) => (
                <p key={line} className="text-ink-2">
                  {line}
                </p>
              ))}
            </div>
          }
          descriptionHtml={facts.descriptionHtml}
          stage={input.stage.map((person) => ({ ...person, name: facts.names[person.ticketId] ?? "" }))}
          zone={facts.zone}
          agenda={input.agendaShown ? facts.agenda : []}
          parts={[]}
          files={facts.files.map((file) => ({ ...file, href: "#" }))}
          words={facts.words}
        >
          <FormPreview input={input} words={facts.words} />
        </DoorView>
      </div>
    </div>
  );
}
export function PageBeside({
  width,
  setWidth,
  scale,
  facts,
  input,
}: {
  width: "phone" | "laptop";
  setWidth: Dispatch<SetStateAction<"phone" | "laptop">>;
  scale: 0.44 | 0.8;
  facts: DoorFacts;
  input: FrontDoorInput;
}) {
  return (
    <aside aria-label="The page as guests get it" className="min-w-0 self-start lg:sticky lg:top-3">
      <div className="mb-2 flex gap-2" role="group" aria-label="Width">
        {(Object.keys(widths) as (keyof typeof widths)[]).map((one) => (
          <Button
            key={one}
            aria-pressed={width === one}
            className={classes(width === one && "border-action")}
            onClick={() => setWidth(one)}
          >
            {one} <span className="mono text-ink-2">{widths[one]}</span>
          </Button>
        ))}
      </div>
      <ScaledPage width={width} scale={scale} facts={facts} input={input} />
    </aside>
  );
}
