import { describe, expect, it } from "vitest";
import { readEnvironment } from "./environment";

const good = {
  DATABASE_URL: "postgres://127.0.0.1/stage",
  STAGE_CALL_SECRET: "x".repeat(32),
  STAGE_CALL_FILES: "var/files",
};

describe("the environment", () => {
  it("fills in what has a default, and turns numbers into numbers", () => {
    expect(readEnvironment({ ...good, STAGE_CALL_MAILS_PER_SECOND: "25" })).toMatchObject({
      STAGE_CALL_URL: "http://127.0.0.1:3000",
      STAGE_CALL_TRIES: "strict",
      STAGE_CALL_MAILS_PER_SECOND: 25,
      STAGE_CALL_UPLOAD_LIMIT_MB: 4096,
    });
  });

  it("names what is missing or wrong, and never the value", () => {
    const wrong = {
      ...good,
      STAGE_CALL_SECRET: "too-short-but-secret",
      STAGE_CALL_URL: "no address",
      STAGE_CALL_MAILS_PER_SECOND: "-3",
    };
    expect(() => readEnvironment(wrong)).toThrow(/STAGE_CALL_URL, STAGE_CALL_SECRET, STAGE_CALL_MAILS_PER_SECOND/);
    expect(() => readEnvironment(wrong)).not.toThrow(/too-short/);
    expect(() => readEnvironment({})).toThrow(/DATABASE_URL.*STAGE_CALL_SECRET.*STAGE_CALL_FILES/);
  });
});
