import { useEffect, type RefObject } from "react";

/** After a refusal the first field that is wrong takes the focus; where none is marked, what was said does. */
export function useFirstWrong(form: RefObject<HTMLElement | null>, state: { readonly status: string }): void {
  useEffect(() => {
    if (state.status !== "refused") return;
    const wrong = form.current?.querySelector<HTMLElement>('[aria-invalid="true"], [role="alert"]');
    wrong?.focus();
  }, [form, state]);
}
