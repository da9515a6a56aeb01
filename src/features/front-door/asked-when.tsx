"use client";
import type { FrontDoorInput } from "@/contracts";
import { Select } from "@/ui";

export type FormField = FrontDoorInput["formFields"][number];

function AskedIf({
  field,
  onChange,
  others,
}: {
  field: FormField;
  onChange: (part: Partial<FormField>) => void;
  others: readonly FormField[];
}) {
  return (
    <Select
      aria-label="Asked if"
      className="w-48!"
      value={field.shownIf?.fieldId ?? ""}
      onChange={(event) =>
        onChange({
          shownIf: event.target.value
            ? {
                fieldId: event.target.value,
                answer: others.find((one) => one.id === event.target.value)?.options[0] ?? "yes",
              }
            : null,
        })
      }
    >
      <option value="">of everybody</option>
      {others.map((one) => (
        <option key={one.id} value={one.id}>
          if “{one.label.slice(0, 30)}” is
        </option>
      ))}
    </Select>
  );
}

/** On which answer to a question above it one is asked. */
export function AskedWhen({
  field,
  onChange,
  others,
  asked,
}: {
  field: FormField;
  onChange: (part: Partial<FormField>) => void;
  others: readonly FormField[];
  asked: FormField | undefined;
}) {
  return (
    <div className="col-span-2 col-start-2 flex flex-wrap items-center gap-2 text-label text-ink-2">
      asked
      <AskedIf field={field} onChange={onChange} others={others} />
      {asked && (
        <Select
          aria-label="Answered with"
          className="w-40!"
          value={field.shownIf!.answer}
          onChange={(event) => onChange({ shownIf: { fieldId: asked.id, answer: event.target.value } })}
        >
          {(asked.kind === "consent" ? ["yes"] : asked.options).map((option) => (
            <option key={option}>{option}</option>
          ))}
        </Select>
      )}
    </div>
  );
}
