import { describe, expect, it } from "vitest";
import { inNotices, Whispers, type Said } from "./whispers";

const level = (ticketId: string, value: number): Said => [ticketId, { type: "stage.level", level: value }];

describe("what is said in passing", () => {
  it("is sent on once, of each person the last word alone", () => {
    const whispers = new Whispers();
    for (const said of [level("a", 10), level("b", 20), level("a", 30)]) whispers.take(said);
    expect(whispers.drain("stage.level")).toEqual([level("a", 30), level("b", 20)]);
    expect([whispers.drain("stage.level"), whispers.drainAll()]).toEqual([[], []]);
    whispers.take(level("c", 5));
    expect(whispers.drainAll()).toEqual([level("c", 5)]);
  });

  it("fits the notices that other processes get (PostgreSQL: a payload is shorter than 8,000 bytes), whole and in order", () => {
    const said = Array.from({ length: 500 }, (_, i) =>
      level(`2f1f4f0e-0000-4000-8000-${String(i).padStart(12, "0")}`, i % 101),
    );
    const parts = inNotices(said);
    expect(parts.flat()).toEqual(said);
    expect(parts.length).toBeGreaterThan(1);
    for (const part of parts) expect(Buffer.byteLength(JSON.stringify(part))).toBeLessThan(7000);
    expect(inNotices([])).toEqual([]);
  });
});
