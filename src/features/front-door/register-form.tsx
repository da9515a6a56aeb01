"use client";
import { Button, Checkbox, Input } from "@/ui";
import { useEffect, useRef, useState } from "react";
import { isShown } from "@/core/front-door";
import { Answered } from "@/features/shared/answered";
import { useFirstWrong } from "@/features/shared/use-first-wrong";
import { AnswerField } from "./answer-field";
import { useAgainByItself } from "./use-again-by-itself";
import { useRegister, type Registering } from "./use-register";
import type { FormFieldView, RegisterWords } from "./types";

/** The registration form. What was typed stays through a refusal; nothing here needs an account. */
export function RegisterForm(props: {
  action: Registering["action"];
  address: string;
  cameBy: Registering["cameBy"];
  fields: readonly FormFieldView[];
  countries: readonly { readonly code: string; readonly name: string }[];
  prefill: { name: string; email: string } | null;
  words: RegisterWords;
}) {
  const { words } = props;
  const { state, submit, onSubmit, isPending } = useRegister({ ...props, ...words });
  const form = useAgainByItself(state, isPending);
  useFirstWrong(form, state);
  const [answers, setAnswers] = useState<Readonly<Record<string, string>>>({});
  const zone = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (zone.current) zone.current.value = Intl.DateTimeFormat().resolvedOptions().timeZone;
  });
  const isWorking = isPending || state.status === "busy";
  if (state.status === "answered") {
    return <Answered title={words.answered} more={words.answeredMore} email={state.typed["email"] ?? ""} />;
  }
  const value = (name: string, fallback = "") => state.typed[name] ?? fallback;
  const described = (name: string) => ({
    "aria-invalid": name in state.errors,
    "aria-describedby": name in state.errors ? `${name}-error` : undefined,
  });
  const error = (name: string) =>
    state.errors[name] && (
      <p id={`${name}-error`} className="text-label text-wrong">
        {state.errors[name]}
      </p>
    );
  return (
    <form ref={form} action={submit} onSubmit={onSubmit} className="flex flex-col gap-3" noValidate>
      <input type="hidden" name="zone" ref={zone} defaultValue="" />
      {state.status === "refused" && (
        <p role="alert" tabIndex={-1} className="border-s-2 border-wrong px-3 py-1 text-wrong">
          {state.message}
        </p>
      )}
      {state.status === "busy" && (
        <p role="status" className="border-s-2 border-attention px-3 py-1">
          {state.message}
        </p>
      )}
      <label className="flex flex-col gap-1">
        <span className="text-label font-medium text-ink-2">{words.name}</span>
        <Input
          name="name"
          autoComplete="name"
          className="min-h-9"
          defaultValue={value("name", props.prefill?.name)}
          {...described("name")}
        />
        {error("name")}
      </label>
      <label className="flex flex-col gap-1">
        <span className="text-label font-medium text-ink-2">{words.email}</span>
        <Input
          name="email"
          type="email"
          autoComplete="email"
          className="min-h-9"
          defaultValue={value("email", props.prefill?.email)}
          {...described("email")}
        />
        {error("email")}
      </label>
      {props.fields
        .filter((field) => field.kind !== "hidden" && isShown(field, props.fields, answers))
        .map((field) => (
          <AnswerField
            key={field.id}
            field={field}
            value={answers[field.id] ?? ""}
            error={state.errors[`answers.${field.id}`]}
            required={words.required}
            countries={props.countries}
            onChange={(value) => setAnswers((before) => ({ ...before, [field.id]: value }))}
          />
        ))}
      <label className="flex items-start gap-2 text-label text-ink-2">
        <Checkbox
          name="consent"
          className="mt-0.5"
          defaultChecked={value("consent") === "on"}
          {...described("hasConsented")}
        />
        <span>{words.consent}</span>
      </label>
      {error("hasConsented")}
      <Button type="submit" weight="act" size="large" disabled={isWorking}>
        {isWorking ? words.working : words.submit}
      </Button>
    </form>
  );
}
