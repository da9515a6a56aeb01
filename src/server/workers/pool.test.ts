import { afterAll, describe, expect, it } from "vitest";
import { allocate, type SeatClaim } from "@/core/seats";
import { threadPool } from "./pool";
import { budgetsMs, isLight, sums, sumsHere, type SumName } from "./sums";

const pool = threadPool();
afterAll(() => pool.close());

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const calendar = (lines: readonly string[]) =>
  bytes(
    [
      "BEGIN:VCALENDAR",
      "VERSION:2.0",
      "BEGIN:VEVENT",
      "UID:one@example.org",
      ...lines,
      "END:VEVENT",
      "END:VCALENDAR",
      "",
    ].join("\r\n"),
  );
const standUp = calendar(["DTSTART:20270104T090000Z", "DURATION:PT1H", "RRULE:FREQ=WEEKLY"]);
const january = { start: Date.parse("2027-01-01T00:00Z"), end: Date.parse("2027-02-01T00:00Z") };

describe("heavy sums in threads", () => {
  it("give what the same sum gives here, bytes, maps and all", async () => {
    const inThread = await pool.run("busy-file", [standUp, january]);
    expect(inThread).toEqual(await sumsHere.run("busy-file", [standUp, january]));
    // Mondays of January 2027
    expect(inThread.spans.map((span) => new Date(span.start).getUTCDate())).toEqual([4, 11, 18, 25]);
    const hour = 3_600_000;
    const claims: SeatClaim[] = Array.from({ length: 250 }, (_, i) => ({
      id: `d${i}`,
      need: 100,
      hold: { start: i * hour, end: i * hour + hour },
      heldLicenceId: null,
      licenceId: null,
      startAt: i * hour,
    })) as never;
    const licences = [{ id: "l1", size: 100 }];
    expect(isLight("seat-search", [claims, licences])).toBe(false);
    expect(await pool.run("seat-search", [claims, licences])).toEqual(allocate(claims, licences));
    // a few are no thread's work, and no thread's start is waited for
    const few = claims.slice(0, 3);
    expect(isLight("seat-search", [few, licences])).toBe(true);
    expect(await threadPool().run("seat-search", [few, licences])).toEqual(allocate(few, licences));
  });

  it("refuse in words, as here: a refusal outlives its way between threads", async () => {
    const nothing = bytes("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR\r\n");
    for (const where of [pool, sumsHere]) {
      await expect(where.run("busy-file", [nothing, january])).rejects.toMatchObject({
        failure: { code: "bad-calendar", reason: "nothing-in-it" },
      });
      await expect(where.run("contacts-preview", [bytes(""), null])).rejects.toMatchObject({
        failure: { code: "bad-file", reason: "empty" },
      });
    }
  });

  it("keep the process answering meanwhile, and break off what takes too long", async () => {
    const tight = threadPool({ ...budgetsMs, "busy-file": 700 });
    // thousands of rules that look for a leap day on one day of the week, each through decades
    const rules = Array.from(
      { length: 4000 },
      (_, i) =>
        `BEGIN:VEVENT\r\nUID:${i}@example.org\r\nDTSTART:20270101T090000Z\r\nDURATION:PT1H\r\nRRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=29;BYDAY=MO\r\nEND:VEVENT`,
    );
    const heavy = bytes(`BEGIN:VCALENDAR\r\nVERSION:2.0\r\n${rules.join("\r\n")}\r\nEND:VCALENDAR\r\n`);
    let turns = 0;
    const timer = setInterval(() => (turns += 1), 20);
    await expect(tight.run("busy-file", [heavy, january])).rejects.toMatchObject({
      failure: { code: "too-heavy", budgetMs: 700 },
    });
    clearInterval(timer);
    // this thread had its turns all along
    expect(turns).toBeGreaterThan(10);
    // and the next sum finds a fresh thread
    const fresh = threadPool();
    expect((await fresh.run("busy-file", [standUp, january])).entries).toBe(1);
    await Promise.all([tight.close(), fresh.close()]);
  });

  it("a sum's budget begins when it is begun: neither its thread's start nor the wait for its turn counts", async () => {
    // twelve of them with two starts together take longer than this where the machine is busy
    const hasty = threadPool({ ...budgetsMs, "busy-file": 1500 });
    const all = await Promise.all(Array.from({ length: 12 }, () => hasty.run("busy-file", [standUp, january])));
    expect(all.map((one) => one.entries)).toEqual(Array<number>(12).fill(1));
    await hasty.close();
  });

  it("who comes when very many wait is told so", async () => {
    const full = threadPool();
    const asked = Array.from({ length: 60 }, () => full.run("busy-file", [standUp, january]));
    const outcomes = await Promise.allSettled(asked);
    const busy = outcomes.filter((one) => one.status === "rejected").map((one) => one.reason as { failure: object });
    expect(busy.map((one) => one.failure)).toEqual(Array(8).fill({ code: "busy", retryAfterMs: 2000 }));
    await full.close();
  });

  it("every sum has its budget", () => {
    expect(Object.keys(budgetsMs).sort()).toEqual(Object.keys(sums).sort());
    for (const name of Object.keys(sums) as SumName[]) expect(budgetsMs[name]).toBeGreaterThanOrEqual(1000);
  });
});
