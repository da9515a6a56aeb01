"use client";
import { useFormContext } from "react-hook-form";
import type { PlanInput } from "@/contracts";
import { Checkbox, Field, Input } from "@/ui";

interface TextProps {
  readonly name: keyof PlanInput;
  readonly label: string;
  readonly type?: string;
  readonly hint?: string;
  readonly className?: string;
  /** an empty field means: none */
  readonly nullable?: boolean;
}

/** One field of the plan, tied to the form and its errors. */
export function Text({ name, label, type = "text", hint, className, nullable }: TextProps) {
  const { register, formState } = useFormContext<PlanInput>();
  const options = nullable ? { setValueAs: (value: unknown) => (value === "" || value === null ? null : value) } : {};
  return (
    <Field
      label={label}
      hint={hint}
      error={formState.errors[name]?.message as string | undefined}
      {...(className ? { className } : {})}
      id={name}
    >
      {(ids) => <Input {...ids} type={type} {...register(name, options)} />}
    </Field>
  );
}

export function Check({ name, label }: { name: keyof PlanInput; label: string }) {
  const { register } = useFormContext<PlanInput>();
  return (
    <label className="flex items-center gap-2">
      <Checkbox id={name} {...register(name)} /> {label}
    </label>
  );
}
