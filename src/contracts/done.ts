import type { Failure, InputIssue } from "@/core/shared";

/** What a server action answers: the value, or a refusal as words, its code and the fields that it is about. */
export type Done<T> =
  | { readonly ok: true; readonly value: T }
  | {
      readonly ok: false;
      readonly words: string;
      readonly code: Failure["code"];
      readonly issues: readonly InputIssue[];
    };
