import { describe, expect, it } from "vitest";
import { isLoopback } from "@/core/shared";
import { readEnvironment } from "./environment";

const needed = {
  DATABASE_URL: "postgres://stagecall@127.0.0.1/stagecall",
  STAGE_CALL_SECRET: "only-for-tests-0123456789abcdef-0123456789",
  STAGE_CALL_FILES: "/tmp/files",
};
const outside = { ...needed, STAGE_CALL_URL: "https://stage.example.org" };

describe("what a process is told", () => {
  it("has a default for everything but the database, the secret and the files", () => {
    expect(readEnvironment(needed)).toMatchObject({
      STAGE_CALL_URL: "http://127.0.0.1:3000",
      STAGE_CALL_TRUSTED_HOPS: 0,
      STAGE_CALL_TRIES: "strict",
      STAGE_CALL_UI_KIT: "hidden",
      STAGE_CALL_MAILS_PER_SECOND: 400,
    });
  });

  it("names what is missing or wrong, and never a value", () => {
    const secret = "too-short-to-be-one";
    const wrong = { ...needed, STAGE_CALL_SECRET: secret, STAGE_CALL_TRUSTED_HOPS: "-1", DATABASE_URL: undefined };
    let said = "";
    try {
      readEnvironment(wrong);
    } catch (error) {
      said = (error as Error).message;
    }
    for (const name of ["STAGE_CALL_SECRET", "STAGE_CALL_TRUSTED_HOPS", "DATABASE_URL"]) expect(said).toContain(name);
    expect(said).not.toContain(secret);
  });

  it.each([
    ["STAGE_CALL_CLOCK_FILE", "/tmp/clock"],
    ["STAGE_CALL_TRIES", "lenient"],
    ["STAGE_CALL_UI_KIT", "shown"],
  ])("%s is for tests: a house that others can reach does not start with it", (name, value) => {
    expect(() => readEnvironment({ ...outside, [name]: value })).toThrow(name);
    expect(() => readEnvironment({ ...needed, [name]: value })).not.toThrow();
    expect(() => readEnvironment(outside)).not.toThrow();
  });
});

describe("this very machine", () => {
  it.each(["localhost", "demo.localhost", "127.0.0.1", "127.255.0.9", "::1", "[::1]", "LOCALHOST"])(
    "%s is it",
    (host) => expect(isLoopback(host)).toBe(true),
  );
  it.each(["example.org", "localhost.example.org", "127.0.0.1.example.org", "10.0.0.1", "128.0.0.1", "", "::2"])(
    "“%s” is not",
    (host) => expect(isLoopback(host)).toBe(false),
  );
});
