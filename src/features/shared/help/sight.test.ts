import { describe, expect, it } from "vitest";
import { browserName } from "./sight";

describe("what a browser calls itself, for whoever helps", () => {
  it.each([
    [
      "Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/156.0.0.0 Safari/537.36",
      "Chrome 156, X11",
    ],
    [
      "Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:140.0) Gecko/20100101 Firefox/140.0",
      "Firefox 140, Windows NT 10.0",
    ],
    [
      "Mozilla/5.0 (Macintosh; Intel Mac OS X 15_1) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.1 Safari/605.1.15",
      "Safari 18, Macintosh",
    ],
    ["", ""],
  ])("%s", (agent, name) => expect(browserName(agent)).toBe(name));
});
