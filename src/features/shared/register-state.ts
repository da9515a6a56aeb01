/** What a public form shows after it was sent: every field typed comes back with a refusal. */
export interface RegisterState {
  readonly status: "fresh" | "answered" | "refused" | "busy";
  readonly message?: string;
  readonly errors: Readonly<Record<string, string>>;
  readonly typed: Readonly<Record<string, string>>;
}
