/** What a public form shows after it was sent: every field typed comes back with a refusal. */
export interface RegisterState {
  readonly status: "fresh" | "answered" | "refused" | "busy";
  readonly message?: string;
  /** "one moment": when it is this one's turn, where the server knows */
  readonly againInMs?: number;
  readonly errors: Readonly<Record<string, string>>;
  readonly typed: Readonly<Record<string, string>>;
}
