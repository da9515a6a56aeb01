import { describe, expect, it } from "vitest";
import type { LogRow, StreamMessages } from "@/contracts";
import { LogTail } from "./log-tail";

const row = (id: string, seq: number, rev = seq, words: string | null = id): LogRow => ({ id, seq, rev, row: words });
const read = (text: string): StreamMessages["lines"] =>
  JSON.parse(/^data: (.*)$/m.exec(text)![1]!) as StreamMessages["lines"];
const ids = (text: string): string[] => read(text).rows.map((one) => one.id);

describe("the end of a log feed", () => {
  it("passes rows on once, in the order of the feed's counter", () => {
    const log = new LogTail("chat:house", 3, [], 0);
    log.take(row("a", 1));
    log.take(row("b", 2));
    log.take(row("a", 1));
    const message = log.advance();
    expect(read(message)).toMatchObject({ topic: "chat:house", head: 2 });
    expect(ids(message)).toEqual(["a", "b"]);
    expect(log.advance()).toBe("");
  });

  it("waits for what another process wrote between two of ours, then gives all of it in order", () => {
    const log = new LogTail("chat:house", 3, [row("a", 1)], 1);
    log.take(row("c", 3));
    expect([log.isBehind, log.advance()]).toEqual([true, ""]);
    log.catchUp([row("b", 2), row("c", 3)]);
    expect([log.isBehind, ids(log.advance())]).toEqual([false, ["b", "c"]]);
  });

  it("welcomes with the last window in the feed's own order, without what was taken away", () => {
    const log = new LogTail("chat:house", 2, [row("a", 1), row("b", 2), row("c", 3)], 3);
    log.take(row("b", 2, 4, null));
    expect(ids(log.welcome(undefined))).toEqual(["a", "c"]);
    log.take(row("d", 5));
    expect(ids(log.welcome(undefined))).toEqual(["c", "d"]);
  });

  it("gives whoever comes back what changed since, removals too; beyond its memory the window again", () => {
    const log = new LogTail("chat:house", 2, [row("a", 1), row("b", 2), row("c", 3)], 3);
    log.take(row("a", 1, 4, null));
    expect(read(log.welcome(2)).rows).toEqual([row("c", 3), row("a", 1, 4, null)]);
    expect(read(log.welcome(4)).rows).toEqual([]);
    for (let n = 5; n <= 40; n += 1) log.take(row(`n${n}`, n));
    expect(ids(log.welcome(2))).toEqual(["n39", "n40"]);
    expect(ids(log.welcome(38))).toEqual(["n39", "n40"]);
  });
});
