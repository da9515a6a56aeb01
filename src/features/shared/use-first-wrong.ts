import { useEffect, type RefObject } from "react";

/** After a refusal the first field that is wrong takes the focus; where none is marked, what was said does. */
export function useFirstWrong(form: RefObject<HTMLElement | null>, state: { readonly status: string }): void {
  useEffect(() => {
    if (state.status !== "refused") return;
    const first = (selector: string) => form.current?.querySelector<HTMLElement>(selector);
    (first('[aria-invalid="true"]') ?? first('[role="alert"]'))?.focus();
  }, [form, state]);
}
