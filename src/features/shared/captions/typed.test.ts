import { expect, it } from "vitest";
import { typedBefore } from "./rows";

it("what is being typed shows with its picture: the last that had come by the instant on the screen", () => {
  const typed = [
    { text: "The", at: 1000 },
    { text: "The tide", at: 1800 },
    { text: "The tide turns", at: 2600 },
  ];
  expect([900, 1000, 2599, 9000].map((at) => typedBefore(typed, at)?.text)).toEqual([
    undefined,
    "The",
    "The tide",
    "The tide turns",
  ]);
});
