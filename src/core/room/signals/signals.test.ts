import { describe, expect, it } from "vitest";
import { plainView } from "../changes";
import { project } from "..";
import { at, figures, open, words } from "../test-room";
import { isTrouble, signalRates, type Signal, type SignalKind } from ".";

const second = 1000;
const give = (kind: SignalKind, ticketId: string, secondsAgo: number): Signal => ({
  kind,
  ticketId,
  at: at - secondsAgo * second,
});

describe("signals (rule 21)", () => {
  it("count different people within the last ten seconds, however often each gave one", () => {
    const given = [
      give("applause", "a1", 0),
      give("applause", "a1", 4),
      give("applause", "a2", 9.9),
      // ten seconds ago is over
      give("applause", "a3", 10),
      give("yes", "a3", 2),
      give("too-fast", "a4", 59),
      give("too-fast", "a5", 60),
    ];
    expect(Object.fromEntries(signalRates(given, at))).toEqual({
      applause: { now: 2, minute: 3 },
      yes: { now: 1, minute: 1 },
      "too-fast": { now: 0, minute: 1 },
    });
  });
  it("are trouble from three people and five in a hundred of the house; applause never is", () => {
    const of = (minute: number, house: number, kind: SignalKind = "cannot-hear") =>
      isTrouble(kind, { now: 0, minute }, house);
    expect([of(2, 10), of(3, 10), of(3, 60), of(3, 61), of(4, 61), of(100, 2000), of(99, 2000)]).toEqual([
      false,
      true,
      true,
      false,
      true,
      true,
      false,
    ]);
    expect([of(3, 10, "too-fast"), of(50, 60, "applause"), of(50, 60, "no")]).toEqual([true, false, false]);
  });
  it("show the house rates and nothing of trouble; team and stage both, and nobody any name", () => {
    const loud = {
      ...figures,
      signals: signalRates(
        ["a1", "a2", "a3"].map((id) => give("cannot-hear", id, 1)),
        at,
      ),
    };
    const seen = (topic: string) => plainView(project(topic, open, words, loud));
    expect(seen("signals:house")).toEqual({ signals: { "cannot-hear": { count: 3 } } });
    expect(seen("signals:team")["troubles"]!["cannot-hear"]).toMatchObject({ count: 3 });
    expect(JSON.stringify([seen("signals:house"), seen("signals:team")])).not.toMatch(/a1|ASKER/);
  });
});
