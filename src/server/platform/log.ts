type Facts = Readonly<Record<string, string | number | boolean | null | undefined>>;

export interface Log {
  info(message: string, facts?: Facts): void;
  warn(message: string, facts?: Facts): void;
  error(message: string, error: unknown, facts?: Facts): void;
}

/** A path as it may be logged: whatever stands in a token's place is gone. */
export const safePath = (path: string): string =>
  path
    .replace(/\/(ticket|enter|reply|unsubscribe|join|new-password|screening|survey|summary)\/[^/?]+/g, "/$1/…")
    .replace(/\?.*$/, "");

function write(level: string, message: string, facts: Facts): void {
  process.stdout.write(`${JSON.stringify({ at: new Date().toISOString(), level, message, ...facts })}\n`);
}

/** One JSON object a line. Ids only: callers never pass names, addresses, texts or tokens. */
export const jsonLog: Log = {
  info: (message, facts = {}) => write("info", message, facts),
  warn: (message, facts = {}) => write("warn", message, facts),
  error: (message, error, facts = {}) => {
    const fault = error as { name?: string; code?: string; stack?: string };
    write("error", message, {
      ...facts,
      fault: fault?.name,
      code: fault?.code,
      trace: fault?.stack?.split("\n")[1]?.trim(),
    });
  },
};

export const silentLog: Log = { info: () => {}, warn: () => {}, error: () => {} };
