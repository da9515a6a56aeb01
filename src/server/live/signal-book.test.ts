import { describe, expect, it } from "vitest";
import { SignalBook } from "./signal-book";

const at = Date.parse("2026-11-26T18:00:00Z");

describe("signals in memory", () => {
  it("fade by themselves, and the rates are the same map for as long as they are the same", () => {
    const book = new SignalBook();
    expect(book.at(at).size).toBe(0);
    book.add({ kind: "applause", ticketId: "a1", at });
    const first = book.at(at + 1000);
    expect(first.get("applause")).toEqual({ now: 1, minute: 1 });
    expect(book.at(at + 9000)).toBe(first);
    expect(book.at(at + 10_000).get("applause")).toEqual({ now: 0, minute: 1 });
    expect(book.at(at + 60_000).size).toBe(0);
  });
  it("are what the table says once it was read: what another process took counts too, nothing twice", () => {
    const book = new SignalBook();
    const own = { kind: "yes" as const, ticketId: "a1", at };
    book.add(own);
    book.replace([own, { kind: "yes", ticketId: "a2", at }]);
    expect(book.at(at).get("yes")).toEqual({ now: 2, minute: 2 });
  });
});
