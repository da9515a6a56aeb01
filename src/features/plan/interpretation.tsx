"use client";
import { useController, useFormContext } from "react-hook-form";
import type { PlanInput } from "@/contracts";
import { Combobox, Field, Tag } from "@/ui";
import { languageChoices } from "@/features/shared/languages";

/** The languages that the hour is interpreted into, picked by their names. */
export function Interpretation() {
  const { control, formState } = useFormContext<PlanInput>();
  const { field } = useController({ control, name: "interpretationInto" });
  const choices = languageChoices();
  const nameOf = (tag: string): string => choices.find((one) => one.value === tag)?.label ?? tag;
  const error = formState.errors.interpretationInto?.message as string | undefined;
  return (
    <Field label="Interpreted into" id="interpretationInto" error={error}>
      {(ids) => (
        <div className="flex flex-col gap-1.5">
          <Combobox
            id={ids.id}
            label="Interpreted into"
            placeholder={field.value.length === 0 ? "No language" : "Add a language"}
            nothing="No language by that name."
            value={null}
            choices={choices.filter((one) => !field.value.includes(one.value))}
            onChange={(tag) => field.onChange([...field.value, tag])}
          />
          {field.value.length > 0 && (
            <ul className="flex flex-wrap gap-1.5" aria-label="Languages">
              {field.value.map((tag) => (
                <li key={tag}>
                  <Tag
                    label={nameOf(tag)}
                    removal={`Without ${nameOf(tag)}`}
                    onRemove={() => field.onChange(field.value.filter((one) => one !== tag))}
                  />
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </Field>
  );
}
