"use client";
import { useState, useTransition, type ReactNode } from "react";
import {
  Controller,
  FormProvider,
  get,
  useForm,
  useFormContext,
  type DefaultValues,
  type FieldPath,
  type FieldValues,
  type UseFormReturn,
} from "react-hook-form";
import type { z } from "zod";
import { wordsOfIssue, type Done } from "@/contracts";
import { Checkbox, Field, Input, Note, Select } from "@/ui";
import { ClockInput } from "./clock-input";
import { holdsUnread } from "./unread";
import { wordedResolver } from "./worded-resolver";

interface ContractFormOptions<T extends FieldValues, Value> {
  readonly schema: z.ZodType<T>;
  readonly initial: T;
  readonly save: (input: T) => Promise<Done<Value>>;
  readonly onSaved: (value: Value, input: T, form: UseFormReturn<T>) => void;
}

/**
 * A form checked by its contract's schema before it is sent, and by the server after: what either finds stands at its
 * field, what concerns no field above the button. Nothing typed is lost by a refusal.
 */
export function useContractForm<T extends FieldValues, Value>(options: ContractFormOptions<T, Value>) {
  const form = useForm<T>({
    resolver: wordedResolver(options.schema),
    defaultValues: options.initial as DefaultValues<T>,
    mode: "onBlur",
  });
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const submit = form.handleSubmit((input) =>
    run(async () => {
      const done = await options.save(input as T);
      setWrong(done.ok ? null : done.words);
      if (done.ok) return options.onSaved(done.value, input as T, form);
      for (const issue of done.issues) form.setError(issue.path as FieldPath<T>, { message: wordsOfIssue(issue) });
    }),
  );
  return { form, submit, wrong, isPending };
}

/** The form element of `useContractForm`: its fields know it by context. */
export function ContractForm<T extends FieldValues>({
  of: { form, submit, wrong },
  children,
  act,
  className,
  ...rest
}: {
  of: Pick<ReturnType<typeof useContractForm<T, unknown>>, "form" | "submit" | "wrong">;
  children: ReactNode;
  /** what sends it */
  act?: ReactNode;
  className?: string;
  id?: string;
  "aria-label"?: string;
}) {
  return (
    <FormProvider {...form}>
      <form
        {...rest}
        className={className}
        onSubmit={(event) => {
          if (holdsUnread(event.currentTarget)) event.preventDefault();
          else void submit(event);
        }}
        noValidate
      >
        {children}
        {wrong && (
          <div className="col-span-full">
            <Note tone="wrong">{wrong}</Note>
          </div>
        )}
        {act}
      </form>
    </FormProvider>
  );
}

interface Named<T extends FieldValues> {
  readonly name: FieldPath<T>;
  readonly label: string;
  readonly hint?: string | undefined;
  readonly className?: string;
}

function useNamed<T extends FieldValues>({ name, label, hint, className }: Named<T>) {
  const form = useFormContext<T>();
  const error = (get(form.formState.errors, name) as { message?: string } | undefined)?.message;
  return { form, field: { label, hint, error, id: name, ...(className && { className }) } };
}

/** One line of words or a number. `nullable`: an empty field means none. */
export function FormText<T extends FieldValues>({
  type = "text",
  nullable,
  ...named
}: Named<T> & {
  readonly type?: "text" | "email" | "number" | "current-password" | "new-password";
  readonly nullable?: boolean;
}) {
  const { form, field } = useNamed(named);
  const options = nullable ? { setValueAs: (value: unknown) => (value === "" || value === null ? null : value) } : {};
  return (
    <Field {...field}>
      {(ids) => (
        <Input
          {...ids}
          type={type.endsWith("password") ? "password" : type}
          {...(type.endsWith("password") && { autoComplete: type })}
          {...(type === "number" && { className: "mono" })}
          {...form.register(named.name, options)}
        />
      )}
    </Field>
  );
}

/** An hour of the day. */
export function FormClock<T extends FieldValues>(named: Named<T>) {
  const { form, field } = useNamed(named);
  return (
    <Controller
      control={form.control}
      name={named.name}
      render={({ field: { value, onChange } }) => (
        <Field {...field}>
          {(ids) => <ClockInput {...ids} value={value} onChange={(clock) => onChange(clock ?? "")} />}
        </Field>
      )}
    />
  );
}

/** One of a few. */
export function FormSelect<T extends FieldValues>({
  options,
  onChosen,
  ...named
}: Named<T> & {
  readonly options: readonly (readonly [value: string, words: string])[];
  /** what follows from a choice in other fields */
  readonly onChosen?: (value: string, form: UseFormReturn<T>) => void;
}) {
  const { form, field } = useNamed(named);
  return (
    <Field {...field}>
      {(ids) => (
        <Select
          {...ids}
          {...form.register(named.name, { onChange: (event) => onChosen?.(String(event.target.value), form) })}
        >
          {options.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}

/** Yes or no. */
export function FormCheck<T extends FieldValues>({ name, label }: Pick<Named<T>, "name" | "label">) {
  const { register } = useFormContext<T>();
  return (
    <label className="flex items-center gap-2">
      <Checkbox id={name} {...register(name)} /> {label}
    </label>
  );
}
