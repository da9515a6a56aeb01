"use client";
import { useState, useTransition } from "react";
import {
  get,
  useForm,
  useWatch,
  type DefaultValues,
  type FieldErrors,
  type FieldValues,
  type Path,
  type PathValue,
} from "react-hook-form";
import type { z } from "zod";
import { wordsOfIssue, type Done } from "@/contracts";
import { useDraft, type Draft } from "./use-draft";
import { worded, wordedResolver } from "./worded-resolver";

interface ContractEditorOptions<T extends FieldValues, Value> {
  readonly schema: z.ZodType<T>;
  readonly initial: T;
  /** under which name what is typed is kept in this browser until it is saved */
  readonly draftKey: string;
  readonly save: (input: T) => Promise<Done<Value>>;
  readonly onSaved: (value: Value, input: T) => void;
  /** what was typed earlier came back */
  readonly onRestored?: () => void;
}

export interface ContractEditor<T extends FieldValues> {
  readonly value: T;
  /** Takes some parts anew, the others stay. */
  change(part: Partial<T>): void;
  readonly isDirty: boolean;
  readonly isPending: boolean;
  readonly wrong: string | null;
  setWrong(words: string | null): void;
  /** What is wrong at a field, by its path as in `segments.2.title`. */
  errorAt(path: string): string | undefined;
  save(): void;
  readonly draft: Draft;
}

/**
 * An editor of something made of lists (a run sheet, a page, a mailing): one form whose parts change whole, checked
 * by its contract before it is sent and by the server after. What is typed outlives a break and a refusal.
 */
export function useContractEditor<T extends FieldValues, Value>(
  options: ContractEditorOptions<T, Value>,
): ContractEditor<T> {
  const form = useForm<T>({
    resolver: wordedResolver(options.schema),
    defaultValues: options.initial as DefaultValues<T>,
  });
  const value = useWatch({ control: form.control }) as T;
  const { isDirty, isSubmitted, errors } = form.formState;
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const change = (part: Partial<T>) => {
    for (const [path, next] of Object.entries(part)) {
      form.setValue(path as Path<T>, next as PathValue<T, Path<T>>, { shouldDirty: true, shouldValidate: isSubmitted });
    }
  };
  const restore = (kept: T) => {
    change(kept);
    options.onRestored?.();
  };
  const draft = useDraft(options.draftKey, form.getValues, isDirty, restore);
  const send = (input: T) =>
    run(async () => {
      const done = await options.save(input);
      setWrong(done.ok ? null : done.words);
      if (!done.ok) {
        for (const issue of done.issues) form.setError(issue.path as Path<T>, { message: wordsOfIssue(issue) });
        return;
      }
      // what was sent is what stands: what was typed meanwhile is still to be saved
      form.reset(input as DefaultValues<T>, { keepValues: true });
      draft.forget();
      options.onSaved(done.value, input);
    });
  const refuse = (found: FieldErrors<T>) => setWrong(worded(found));
  return {
    value,
    change,
    isDirty,
    isPending,
    wrong,
    setWrong,
    errorAt: (path) => (get(errors, path) as { message?: string } | undefined)?.message,
    save: () => void form.handleSubmit((input) => send(input as T), refuse)(),
    draft,
  };
}
