import { describe, expect, it } from "vitest";
import { faultOf } from "./use-deck-upload";

const answered = (body: string) =>
  Object.assign(new Error("refused"), { originalResponse: { getBody: () => body, getStatus: () => 400 } }) as never;
const refused = (failure: object) => answered(JSON.stringify({ failure, words: "In words." }));

describe("why slides did not arrive", () => {
  it("is said by kind: no PDF, too large, in the server's own words, or a line that broke off", () => {
    expect(faultOf(refused({ code: "bad-file", reason: "not-a-pdf" }))).toBe("notPdf");
    expect(faultOf(refused({ code: "file-too-large", limitBytes: 1 }))).toBe("tooLarge");
    expect(faultOf(refused({ code: "store-full", limitBytes: 1 }))).toEqual({ words: "In words." });
    expect(faultOf(answered("<html>a proxy's page</html>"))).toBe("cut");
    expect(faultOf(new Error("network"))).toBe("cut");
    expect(faultOf(answered("Maximum size exceeded\n"))).toBe("cut");
  });
});
