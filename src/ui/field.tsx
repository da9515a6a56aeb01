import { useId, type ReactNode } from "react";
import { classes } from "./classes";

export const inputClass =
  "w-full min-h-8 px-2.5 py-1 rounded-control border border-rule bg-sheet text-ink text-base focus-visible:border-action aria-[invalid=true]:border-wrong";

/** What is wrong with a control that has no `Field` around it. */
export const FieldError = ({ children }: { children: ReactNode }) => (
  <span className="block text-label text-wrong">{children}</span>
);

/** A labelled control with its hint and its error, tied together for screen readers. */
export function Field(props: {
  label: string;
  hint?: ReactNode;
  error?: ReactNode | undefined;
  className?: string;
  id?: string;
  children: (ids: { id: string; "aria-describedby": string | undefined; "aria-invalid": boolean }) => ReactNode;
}) {
  const made = useId();
  const id = props.id ?? made;
  const noteId = `${id}-note`;
  const note = props.error ?? props.hint;
  return (
    <div className={classes("flex flex-col gap-1", props.className)}>
      <label htmlFor={id} className="text-label font-medium text-ink-2">
        {props.label}
      </label>
      {props.children({ id, "aria-describedby": note ? noteId : undefined, "aria-invalid": Boolean(props.error) })}
      {note && (
        <p id={noteId} className={classes("text-label", props.error ? "text-wrong" : "text-ink-2")}>
          {note}
        </p>
      )}
    </div>
  );
}
