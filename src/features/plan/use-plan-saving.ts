"use client";
import { useEffect, useState, useTransition } from "react";
import type { UseFormReturn } from "react-hook-form";
import { wordsOfIssue, type Done, type PlanInput } from "@/contracts";
import { toast } from "@/ui";
import type { Draft } from "@/features/shared/use-draft";
import type { OtherPlan } from "./two-windows";

export interface SavedPlan {
  readonly version: number;
  readonly hasMoved: boolean;
  readonly told: number;
}
export interface PlanSaving {
  readonly save: (version: number, input: PlanInput, tellPeople: boolean) => Promise<Done<SavedPlan>>;
  /** the plan as it stands on the server now */
  readonly current: () => Promise<Done<OtherPlan>>;
}

const savedWords = (told: number): string =>
  told > 0
    ? `Saved. ${told} ${told === 1 ? "person hears" : "people hear"} of the new time in five minutes.`
    : "Saved.";

/**
 * Saves the plan against the version that it began from. What somebody else saved meanwhile is fetched to be compared;
 * a newer plan that arrives while nothing is typed here takes the form's place.
 */
export function usePlanSaving(
  form: UseFormReturn<PlanInput>,
  draft: Draft,
  props: PlanSaving & { readonly initial: PlanInput; readonly version: number },
) {
  const { reset, setError, formState } = form;
  const [base, setBase] = useState<OtherPlan>({ version: props.version, plan: props.initial });
  const [other, setOther] = useState<OtherPlan | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const { version, initial } = props;
  const { isDirty } = formState;
  useEffect(() => {
    if (isDirty || version <= base.version) return;
    reset(initial);
    // the server's newer plan follows from nothing that is typed here
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setBase({ version, plan: initial });
  }, [isDirty, version, initial, base.version, reset]);

  const send = (input: PlanInput, tellPeople: boolean) =>
    run(async () => {
      setWrong(null);
      const saved = await props.save(base.version, input, tellPeople);
      if (saved.ok) {
        setBase({ version: saved.value.version, plan: input });
        draft.forget();
        reset(input);
        toast(savedWords(saved.value.told));
        return;
      }
      if (saved.code === "edited-meanwhile") {
        const now = await props.current();
        if (now.ok) return setOther(now.value);
      }
      setWrong(saved.words);
      for (const issue of saved.issues) setError(issue.path as never, { message: wordsOfIssue(issue) });
    });
  /** Goes on from the other's version with what was chosen of both. */
  const goOn = (plan: PlanInput) => {
    if (!other) return;
    setBase(other);
    reset(other.plan);
    reset(plan, { keepDefaultValues: true });
    setOther(null);
  };
  return { base, other, wrong, isPending, send, goOn };
}
