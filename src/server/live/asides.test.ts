import { describe, expect, it } from "vitest";
import { AsideParts, inParts, type Aside } from "./asides";

const said = (words: string): Aside => [
  "from",
  { type: "help.offer", to: "to", offerId: "o", change: { setting: "captions", value: null, words } },
];
/** PostgreSQL, NOTIFY: a payload is shorter than 8,000 bytes. */
const mostBytes = 8000;

describe("what is said to one person, on its way to other processes", () => {
  it("is one notice where it is short", () => {
    const parts = inParts("1", said("Captions in Spanish"));
    expect(parts).toHaveLength(1);
    expect(new AsideParts().take(parts[0]!)).toEqual(said("Captions in Spanish"));
  });
  it("is laid together from notices that each fit, in whatever order two senders mix theirs", () => {
    const [long, other] = [said("ä→😀".repeat(3000)), said("b".repeat(20_000))];
    const [a, b] = [inParts("a", long), inParts("b", other)];
    expect([...a, ...b].every((part) => Buffer.byteLength(JSON.stringify(part)) < mostBytes - 200)).toBe(true);
    const parts = new AsideParts();
    const whole: Aside[] = [];
    for (let i = 0; i < Math.max(a.length, b.length); i++)
      for (const part of [a[i], b[i]]) {
        const done = part && parts.take(part);
        if (done) whole.push(done);
      }
    expect(whole).toHaveLength(2);
    expect(whole).toEqual(expect.arrayContaining([long, other]));
  });
  it("whose rest never came is forgotten in time", () => {
    const parts = new AsideParts();
    const [first, ...rest] = inParts("lost", said("c".repeat(20_000)));
    parts.take(first!);
    for (let i = 0; i < 300; i++) parts.take(inParts(String(i), said("d".repeat(20_000)))[0]!);
    expect(rest.map((part) => parts.take(part)).filter(Boolean)).toEqual([]);
  });
});
