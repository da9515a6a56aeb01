import { describe, expect, it } from "vitest";
import { callReport, ownNumber, pickedUp } from ".";

const read = (text: string) => ownNumber.safeParse(text).data ?? null;

describe("a number to be called at (ITU-T E.164: a plus, the country, 15 digits at most)", () => {
  it("is read as people write it", () => {
    // numbers kept for fiction or examples by Ofcom and by the North American plan (555-01xx)
    expect(read("+44 20 7946 0188")).toBe("+442079460188");
    expect(read("0044 (20) 7946-0188")).toBe("+442079460188");
    expect(read("+1.212.555.0142")).toBe("+12125550142");
    expect(read("+351 / 210 000 000")).toBe("+351210000000");
  });
  it("is refused without its country, too short, too long, or with letters", () => {
    for (const wrong of ["020 7946 0188", "+44", "+0 20 7946 0188", `+${"1".repeat(16)}`, "+44 20 CURLEW", "", "+"])
      expect([wrong, read(wrong)]).toEqual([wrong, null]);
    expect(read(`+${"1".repeat(15)}`)).toHaveLength(16);
  });
});

describe("what a line reports", () => {
  it("knows three keys", () => {
    for (const key of ["5", "6", "9"]) expect(callReport.safeParse({ type: "key", key }).success).toBe(true);
    for (const key of ["1", "#", "66"]) expect(callReport.safeParse({ type: "key", key }).success).toBe(false);
  });
  it("tells a call that was picked up from one that was dialled", () => {
    expect(pickedUp.safeParse({ answer: "a-token-of-some-length" }).success).toBe(true);
    expect(pickedUp.safeParse({ number: "+44", conferenceNumber: "1", pin: "1" }).success).toBe(false);
  });
});
