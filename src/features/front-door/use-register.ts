import { useActionState, useState, type FormEvent } from "react";
import type { RegisterForm } from "@/contracts";
import type { RegisterState } from "./types";

export interface Registering {
  /** where the browser runs no scripts: the form itself */
  readonly action: (before: RegisterState, data: FormData) => Promise<RegisterState>;
  /** where it does: the address that answers with the form's next state */
  readonly address: string;
  readonly cameBy: Omit<RegisterForm, "typed">;
  /** what is said where no answer came at all */
  readonly oneMoment: string;
  /** what is said where the form itself is not taken, however often it is sent */
  readonly notNow: string;
}

const typedIn = (form: HTMLFormElement): Record<string, string> =>
  Object.fromEntries(
    [...new FormData(form)].flatMap(([key, value]) =>
      typeof value === "string" && !key.startsWith("$") ? [[key, value]] : [],
    ),
  );

/**
 * Sends the form. Where no answer comes, or one that is none, it is "one moment": the form asks again by itself. What
 * is refused for good is said: asking again would not help.
 */
export async function sendForm(
  { address, cameBy, oneMoment, notNow }: Omit<Registering, "action">,
  typed: Record<string, string>,
): Promise<RegisterState> {
  const body: RegisterForm = { typed, ...cameBy };
  try {
    const response = await fetch(address, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    if (response.ok) return (await response.json()) as RegisterState;
    if (response.status >= 400 && response.status < 500)
      return { status: "refused", message: notNow, errors: {}, typed };
  } catch {
    // an outage, or an answer that is none
  }
  return { status: "busy", message: oneMoment, errors: {}, typed };
}

const fresh: RegisterState = { status: "fresh", errors: {}, typed: {} };

/** The form's present state, and what its two ways of being sent are tied to. */
export function useRegister(how: Registering) {
  const [plain, submit, isPlainPending] = useActionState(how.action, fresh);
  const [sent, setSent] = useState<RegisterState | null>(null);
  const [isSending, setIsSending] = useState(false);
  const onSubmit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    if (isSending) return;
    setIsSending(true);
    void sendForm(how, typedIn(event.currentTarget)).then((state) => {
      setSent(state);
      setIsSending(false);
    });
  };
  return { state: sent ?? plain, submit, onSubmit, isPending: isSending || isPlainPending };
}
