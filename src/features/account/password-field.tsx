"use client";
import { Field, Input } from "@/ui";

/** A password, never shown. */
export function PasswordField(props: {
  label: string;
  hint?: string;
  autoComplete: "current-password" | "new-password";
  value: string;
  change: (to: string) => void;
}) {
  return (
    <Field label={props.label} hint={props.hint}>
      {(ids) => (
        <Input
          {...ids}
          type="password"
          autoComplete={props.autoComplete}
          value={props.value}
          onChange={(event) => props.change(event.target.value)}
        />
      )}
    </Field>
  );
}
