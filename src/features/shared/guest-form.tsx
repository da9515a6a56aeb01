"use client";
import { useActionState, type ReactNode } from "react";
import { Note } from "@/ui";

/** What a guest's form shows after an act: a refusal in words, or nothing. */
export interface GuestFormState {
  readonly wrong: string | null;
}

/** A form of buttons on a guest's page. A refusal stands in words above them; a success shows on the page itself. */
export function GuestForm({
  action,
  className,
  children,
}: {
  action: (before: GuestFormState, data: FormData) => Promise<GuestFormState>;
  className?: string;
  children: ReactNode;
}) {
  const [{ wrong }, submit] = useActionState(action, { wrong: null });
  return (
    <form action={submit} className="mt-6 flex flex-col gap-3">
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <div className={className}>{children}</div>
    </form>
  );
}
