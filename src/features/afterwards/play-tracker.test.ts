import { describe, expect, it } from "vitest";
import { PlayTracker } from "./play-tracker";

function tracker() {
  let n = 0;
  return new PlayTracker(() => `p${(n += 1)}`);
}
const run = (one: PlayTracker, from: number, to: number, step = 0.25) => {
  for (let at = from; at <= to + 1e-9; at += step) one.at(at);
};
const spans = (one: PlayTracker) => one.take().map(({ fromSeconds, toSeconds }) => [fromSeconds, toSeconds]);

describe("stretches of what a player plays (rule 14)", () => {
  it("are one from where it began to where it was paused", () => {
    const one = tracker();
    run(one, 3, 8);
    one.stop(8.1);
    expect(spans(one)).toEqual([[3, 8.1]]);
    expect(spans(one)).toEqual([]);
  });
  it("are another after a jump, forward or back, also one that was not said", () => {
    const one = tracker();
    run(one, 0, 10);
    run(one, 40, 50);
    run(one, 5, 6);
    expect(spans(one)).toEqual([
      [0, 10],
      [40, 50],
      [5, 6],
    ]);
  });
  it("grow under the same id while it goes on, and are told again as far as they have grown", () => {
    const one = tracker();
    run(one, 0, 5);
    const [first] = one.take();
    run(one, 5, 9);
    const [second] = one.take();
    expect([first!.id, second!.id]).toEqual(["p1", "p1"]);
    expect(second).toMatchObject({ fromSeconds: 0, toSeconds: 9 });
  });
  it("follow a player that runs at twice its speed, and one that ticks slowly in a hidden tab", () => {
    const one = tracker();
    for (let at = 0; at <= 20; at += 4) one.at(at, 2);
    expect(spans(one)).toEqual([[0, 20]]);
    const slow = tracker();
    run(slow, 0, 10, 1);
    expect(spans(slow)).toEqual([[0, 10]]);
  });
  it("are nothing of a player that was only opened, and lost by no line that is away", () => {
    const one = tracker();
    one.at(0);
    one.stop(0);
    expect(spans(one)).toEqual([]);
    run(one, 0, 4);
    const told = one.take();
    run(one, 4, 6);
    one.putBack(told);
    expect(spans(one)).toEqual([[0, 6]]);
    one.putBack(told);
    expect(spans(one)).toEqual([[0, 4]]);
  });
});
