const codes: ReadonlySet<string> = new Set([
  "ECONNREFUSED",
  "ECONNRESET",
  "ETIMEDOUT",
  "57P01",
  "57P02",
  "57P03",
  "08006",
  "08003",
]);

/** Whether a failure says that the database does not answer; every other one is a defect or a refusal. */
export function isDatabaseAway(error: unknown): boolean {
  const cause = (error as { cause?: unknown } | null)?.cause ?? error;
  const { code = "", message = "" } = (cause ?? {}) as { code?: string; message?: string };
  return codes.has(code) || /timeout exceeded when trying to connect|Connection terminated/.test(message);
}
