import { createHmac } from "node:crypto";
import { describe, expect, it } from "vitest";
import { iceServers } from "./ice";

const now = Date.parse("2026-11-26T18:00:00Z");
const none = { stun: [], turn: [], turnSecret: null };

describe("servers between two browsers", () => {
  it("are none where none are configured", () => {
    expect(iceServers(none, "t", now)).toEqual([]);
    expect(iceServers({ ...none, turn: ["turn:a.example.org"] }, "t", now)).toEqual([]);
  });
  it("come with a name that carries its end, and its keyed hash (computed here once more)", () => {
    const [stun, turn] = iceServers(
      { stun: ["stun:a.example.org"], turn: ["turns:b.example.org"], turnSecret: "a-secret-of-the-tests" },
      "ticket",
      now,
    );
    expect(stun).toEqual({ urls: ["stun:a.example.org"] });
    const username = `${now / 1000 + 12 * 3600}:ticket`;
    const credential = createHmac("sha1", "a-secret-of-the-tests").update(username).digest("base64");
    expect(turn).toEqual({ urls: ["turns:b.example.org"], username, credential });
  });
});
