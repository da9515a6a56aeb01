import { describe, expect, it } from "vitest";
import { deviceWords } from "./device-words";

describe("a device in words", () => {
  it.each([
    ["Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36", "Computer, Linux"],
    ["Mozilla/5.0 (Linux; Android 14) AppleWebKit/537.36 Mobile", "Phone, Android"],
    ["Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X)", "Phone, iPhone or iPad"],
    ["Mozilla/5.0 (Windows NT 10.0; Win64; x64)", "Computer, Windows"],
    ["Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7)", "Computer, Mac"],
    ["", "Another device"],
  ])("%s: %s", (agent, words) => expect(deviceWords(agent)).toBe(words));
});
