import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { Failure } from "@/core/shared";
import { CommandQueue } from "./command-queue";
import { gate } from "./gate";
import type { QueueStore, Waiting } from "./queue-store";

type Sent = { commandId: string; command: { type: string } };
let sent: Sent[] = [];
/** what the next requests are answered with, in order; then yes to everything */
let answers: (object | "broken" | "no-json")[] = [];

beforeEach(() => {
  sent = [];
  answers = [];
  rows.clear();
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

const refusals: (Failure | { code: "lost" })[] = [];
let waiting = 0;
let heard: string[] = [];
const back = gate(true);
/** what a browser keeps across a reload */
const rows = new Map<string, Waiting>();
const kept: QueueStore = {
  load: async () => [...rows.values()],
  put: async (one) => void rows.set(one.commandId, one),
  drop: async (id) => void rows.delete(id),
};
const queue = () => {
  refusals.length = 0;
  heard = [];
  return new CommandQueue({
    url: "/live/x/commands",
    store: kept,
    now: Date.now,
    newId: () => crypto.randomUUID(),
    wait: (ms) => new Promise((done) => setTimeout(done, ms)),
    onRefusal: (failure) => refusals.push(failure),
    onWaiting: (count) => (waiting = count),
    onSilence: (why) => heard.push(why),
    onAnswer: () => heard.push("answer"),
    ready: () => back.wait(),
  });
};
const settle = () => vi.advanceTimersByTimeAsync(0);
const away = { ok: false, failure: { code: "unavailable" } };

describe("the queue of a room's commands", () => {
  it("sends one at a time, in order, each with an id of its own", async () => {
    const commands = queue();
    void commands.push({ type: "hour.open-doors" });
    void commands.push({ type: "hour.raise-curtain" });
    expect(sent).toHaveLength(1);
    await settle();
    expect(sent.map((one) => one.command.type)).toEqual(["hour.open-doors", "hour.raise-curtain"]);
    expect(new Set(sent.map((one) => one.commandId)).size).toBe(2);
    expect(refusals).toEqual([]);
  });

  it("repeats with the same id while nothing answers, and lets nothing overtake", async () => {
    answers = ["broken", away, "no-json"];
    const commands = queue();
    void commands.push({ type: "hour.open-doors" });
    void commands.push({ type: "hour.raise-curtain" });
    for (let i = 0; i < 3; i += 1) await vi.advanceTimersByTimeAsync(16_000);
    await settle();
    expect(sent.map((one) => one.command.type)).toEqual([
      "hour.open-doors",
      "hour.open-doors",
      "hour.open-doors",
      "hour.open-doors",
      "hour.raise-curtain",
    ]);
    expect(new Set(sent.slice(0, 4).map((one) => one.commandId)).size).toBe(1);
  });

  it("tells a refusal once and goes on; that something was done already is no refusal", async () => {
    answers = [
      { ok: false, failure: { code: "poll-not-open" } },
      { ok: false, failure: { code: "already-done", action: "hour.open-doors" } },
    ];
    const commands = queue();
    void commands.push({ type: "polls.open", pollId: "00000000-0000-4000-8000-000000000001" });
    void commands.push({ type: "hour.open-doors" });
    void commands.push({ type: "hour.drop-curtain" });
    await settle();
    expect(sent).toHaveLength(3);
    expect(refusals).toEqual([{ code: "poll-not-open" }]);
  });

  it("sends no more after it was stopped", async () => {
    answers = ["broken"];
    const commands = queue();
    void commands.push({ type: "hour.open-doors" });
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

  it("gives up a command that no server can read, and lets those behind it through", async () => {
    answers = ["no-json", "no-json", "no-json", "no-json"];
    const commands = queue();
    const lost = commands.push({ type: "hour.open-doors" });
    const behind = commands.push({ type: "hour.drop-curtain" });
    for (let i = 0; i < 6; i += 1) await vi.advanceTimersByTimeAsync(16_000);
    expect(await lost).toEqual({ ok: false, failure: { code: "lost" } });
    expect(await behind).toEqual({ ok: true });
    expect(refusals).toEqual([{ code: "lost" }]);
  });

  it("keeps what has no answer across a reload, with its id, and counts it", async () => {
    answers = Array.from({ length: 50 }, () => "broken" as const);
    const before = queue();
    void before.push({ type: "hour.open-doors" });
    await settle();
    expect(waiting).toBe(1);
    before.stop();
    answers = [];
    queue();
    await vi.advanceTimersByTimeAsync(16_000);
    expect(sent.at(-1)!.commandId).toBe(sent[0]!.commandId);
    expect([waiting, rows.size]).toEqual([0, 0]);
  });

  it("tells of a lost line at once where a post fails, after three seconds where nothing is answered", async () => {
    answers = ["broken"];
    const commands = queue();
    void commands.push({ type: "hour.open-doors" });
    await settle();
    expect(heard).toEqual(["failed"]);
    await vi.advanceTimersByTimeAsync(1000);
    expect(heard).toEqual(["failed", "answer"]);
    // an answer is awaited for as long as a browser does
    vi.stubGlobal("fetch", () => new Promise(() => {}));
    void commands.push({ type: "hour.raise-curtain" });
    await vi.advanceTimersByTimeAsync(2999);
    expect(heard).toHaveLength(2);
    await vi.advanceTimersByTimeAsync(1);
    expect(heard).toEqual(["failed", "answer", "slow"]);
  });

  it("keeps what was done while the line is gone until the room follows again", async () => {
    const commands = queue();
    back.close();
    void commands.push({ type: "hour.open-doors" });
    await vi.advanceTimersByTimeAsync(60_000);
    expect([sent.length, waiting]).toEqual([0, 1]);
    back.open();
    await settle();
    expect([sent.length, waiting]).toEqual([1, 0]);
  });
});
