import { afterEach, describe, expect, it, vi } from "vitest";
import { jsonLog, safePath } from "./log";

afterEach(() => vi.restoreAllMocks());
const written = (run: () => void): Record<string, unknown> => {
  const lines: string[] = [];
  vi.spyOn(process.stdout, "write").mockImplementation((text) => lines.push(String(text)) > 0);
  run();
  expect(lines).toHaveLength(1);
  expect(lines[0]).toMatch(/\n$/);
  return JSON.parse(lines[0]!) as Record<string, unknown>;
};

describe("the log", () => {
  it("is one JSON object a line, with level, moment and facts", () => {
    const line = written(() => jsonLog.warn("mail put off", { messageId: "m", attempts: 2 }));
    expect(line).toMatchObject({ level: "warn", message: "mail put off", messageId: "m", attempts: 2 });
    expect(Number.isNaN(Date.parse(String(line["at"])))).toBe(false);
  });
  it("names a fault and where it was, never what it said: that may hold an address", () => {
    const fault = Object.assign(new Error("no such person: ines@example.org"), { code: "23505" });
    const line = written(() => jsonLog.error("saving failed", fault, { date: "d" }));
    expect(line).toMatchObject({ level: "error", fault: "Error", code: "23505", date: "d" });
    expect(JSON.stringify(line)).not.toContain("ines@example.org");
  });
  it("keeps no token of a link and no query", () => {
    expect(
      [
        "/enter/abc.def-1",
        "/reply/tok?to=yes",
        "/front/tides?for=xyz",
        "/unsubscribe/t/x",
        "/survey/t",
        "/summary/t",
      ].map((path) => safePath(path)),
    ).toEqual(["/enter/…", "/reply/…", "/front/tides", "/unsubscribe/…/x", "/survey/…", "/summary/…"]);
  });
});
