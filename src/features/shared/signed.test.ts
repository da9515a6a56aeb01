import { describe, expect, it } from "vitest";
import { signed } from "./signed";

describe("a difference in figures", () => {
  it("bears its sign, and none where it rounds to nothing", () => {
    expect([signed(3), signed(-3), signed(0), signed(0.04, 1), signed(-0.04, 1), signed(-1.25, 1)]).toEqual([
      "+3",
      "−3",
      "0",
      "0.0",
      "0.0",
      "−1.3",
    ]);
  });
});
