import { describe, expect, it } from "vitest";
import type { InkRow } from "@/contracts";
import type { InkBody, Mark } from "@/core/room";
import { InkStore, type InkChange } from "./ink-store";

const surface = { id: "b1", page: 0 };
const mark: Mark = { tool: "line", colour: "blue", width: 45, points: [0, 0, 9, 9], text: "" };
const row = (n: number, body: InkBody = { do: "draw", mark, continues: null }, on = surface): InkRow => ({
  ...{ n, id: `m${n}`, authorId: "a", at: n * 1000, body },
  surface: on,
});
const ids = (store: InkStore) => store.standing().map((one) => one.id);

describe("a surface as a screen has it", () => {
  it("lays rows on that came before it was read, each once, in their order", () => {
    const store = new InkStore(surface);
    expect(store.take([row(3), row(2)])).toBe(false);
    expect([store.isRead, ids(store)]).toEqual([false, []]);
    store.read([row(1), row(2)]);
    expect(ids(store)).toEqual(["m1", "m2", "m3"]);
    expect(store.take([row(1), row(2), row(3)])).toBe(false);
    expect(ids(store)).toEqual(["m1", "m2", "m3"]);
  });
  it("says when something is missing between what is here and what came, and draws none of it", () => {
    const store = new InkStore(surface);
    store.read([row(1)]);
    expect(store.take([row(3)])).toBe(true);
    expect(ids(store)).toEqual(["m1"]);
    store.read([row(1), row(2), row(3)]);
    expect(ids(store)).toEqual(["m1", "m2", "m3"]);
  });
  it("passes over what was done on another surface", () => {
    const store = new InkStore(surface);
    store.read([]);
    expect(store.take([row(1, undefined, { id: "b1", page: 2 }), row(7, undefined, { id: "b2", page: 0 })])).toBe(
      false,
    );
    expect(ids(store)).toEqual([]);
  });
  it("tells what came on top alone, and everything where something was taken away", () => {
    const store = new InkStore(surface);
    store.read([row(1)]);
    const told: InkChange[] = [];
    const stop = store.listen((change) => told.push(change));
    store.take([row(2), row(3)]);
    store.take([row(4, { do: "undo" })]);
    stop();
    store.take([row(5)]);
    expect(told.map((change) => (change === "all" ? "all" : change.map((one) => one.id)))).toEqual([
      ["m2", "m3"],
      "all",
    ]);
    expect(ids(store)).toEqual(["m1", "m2", "m5"]);
  });
});
