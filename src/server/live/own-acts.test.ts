import { describe, expect, it } from "vitest";
import { OwnActs } from "./own-acts";

function acts() {
  const did: string[] = [];
  const own = new OwnActs(
    async (date) => void did.push(`show ${date}`),
    (date, seq) => void did.push(`follow ${date} to ${seq}`),
  );
  /** An act that ends when it is told to. */
  const begun = (date: string) => {
    let end: (error?: Error) => void = () => {};
    const ran = new Promise<{ done: { entries: [] } }>((done, failed) => {
      end = (error) => (error ? failed(error) : done({ done: { entries: [] } }));
    });
    const whole = own.carryOut(date, () => ran).then(({ shown }) => shown);
    return { end, whole };
  };
  return { own, did, begun };
}

describe("what is noticed while acts of this process are on their way", () => {
  it("waits until they have been shown: the last says how far the journal had come", async () => {
    const { own, did, begun } = acts();
    const [first, second] = [begun("date"), begun("date")];
    for (const seq of [4, 3]) own.hear("date", seq);
    first.end();
    await first.whole;
    own.hear("date", 5);
    expect(did).toEqual(["show date"]);
    second.end();
    await second.whole;
    expect(did).toEqual(["show date", "show date", "follow date to 5"]);
    own.hear("date", 6);
    expect(did.at(-1)).toBe("follow date to 6");
  });

  it("waits for those of its own date alone", async () => {
    const { own, did, begun } = acts();
    const one = begun("date");
    own.hear("another", 9);
    one.end();
    await one.whole;
    expect(did).toEqual(["follow another to 9", "show date"]);
  });

  it("is followed after an act that was refused: nothing of it was shown", async () => {
    const { own, did, begun } = acts();
    const one = begun("date");
    own.hear("date", 7);
    one.end(new Error("refused"));
    await expect(one.whole).rejects.toThrow("refused");
    expect(did).toEqual(["follow date to 7"]);
  });
});
