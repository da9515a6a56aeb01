import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Failure } from "@/core/shared";
import { CommandQueue } from "./command-queue";

type Sent = { commandId: string; command: { type: string } };
let sent: Sent[] = [];
/** what the next requests are answered with, in order; then yes to everything */
let answers: (object | "broken" | "no-json")[] = [];

beforeEach(() => {
  sent = [];
  answers = [];
  vi.useFakeTimers();
  vi.stubGlobal("fetch", async (_url: string, init: RequestInit) => {
    sent.push(JSON.parse(String(init.body)) as Sent);
    const answer = answers.shift() ?? { ok: true };
    if (answer === "broken") throw new TypeError("network");
    return answer === "no-json" ? new Response("<html>") : Response.json(answer);
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const refusals: (Failure | null)[] = [];
const queue = () => {
  refusals.length = 0;
  return new CommandQueue("/live/x/commands", (failure) => refusals.push(failure));
};
const settle = () => vi.advanceTimersByTimeAsync(0);
const away = { ok: false, failure: { code: "unavailable" } };

describe("the queue of a room's commands", () => {
  it("sends one at a time, in order, each with an id of its own", async () => {
    const commands = queue();
    commands.push({ type: "doors.open" });
    commands.push({ type: "curtain.raise" });
    expect(sent).toHaveLength(1);
    await settle();
    expect(sent.map((one) => one.command.type)).toEqual(["doors.open", "curtain.raise"]);
    expect(new Set(sent.map((one) => one.commandId)).size).toBe(2);
    expect(refusals).toEqual([]);
  });

  it("repeats with the same id while nothing answers, and lets nothing overtake", async () => {
    answers = ["broken", away, "no-json"];
    const commands = queue();
    commands.push({ type: "doors.open" });
    commands.push({ type: "curtain.raise" });
    for (let i = 0; i < 3; i += 1) await vi.advanceTimersByTimeAsync(800);
    await settle();
    expect(sent.map((one) => one.command.type)).toEqual([
      "doors.open",
      "doors.open",
      "doors.open",
      "doors.open",
      "curtain.raise",
    ]);
    expect(new Set(sent.slice(0, 4).map((one) => one.commandId)).size).toBe(1);
  });

  it("tells a refusal once and goes on; that something was done already is no refusal", async () => {
    answers = [
      { ok: false, failure: { code: "poll-not-open" } },
      { ok: false, failure: { code: "already-done", action: "doors.open" } },
    ];
    const commands = queue();
    commands.push({ type: "poll.open", pollId: "00000000-0000-4000-8000-000000000001" });
    commands.push({ type: "doors.open" });
    commands.push({ type: "curtain.drop" });
    await settle();
    expect(sent).toHaveLength(3);
    expect(refusals).toEqual([{ code: "poll-not-open" }]);
  });

  it("sends no more after it was stopped", async () => {
    answers = ["broken"];
    const commands = queue();
    commands.push({ type: "doors.open" });
    await settle();
    commands.stop();
    await vi.advanceTimersByTimeAsync(5000);
    expect(sent).toHaveLength(1);
  });

  it("posts a sign of life past the queue and forgets it when nobody answers", async () => {
    answers = ["broken"];
    queue().post({ type: "sign", connectionId: "00000000-0000-4000-8000-000000000002" });
    await vi.advanceTimersByTimeAsync(5000);
    expect(sent).toHaveLength(1);
  });
});
