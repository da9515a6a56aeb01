import { describe, expect, it } from "vitest";
import { isBehindToken } from "./behind-token";

const of = (address: string) => {
  const { pathname, searchParams } = new URL(address, "https://calls.example.org");
  return isBehindToken(pathname, searchParams);
};

describe("an address that holds a secret", () => {
  it.each([
    "/ticket/abc",
    "/ticket/abc/calendar.ics",
    "/enter/abc?proof=def",
    "/reply/abc",
    "/unsubscribe/abc",
    "/join/abc",
    "/new-password/abc",
    "/front/tides?for=abc",
    "/book/tides?move=abc",
    "/front/tides/files/1?ticket=abc",
  ])("is %s", (address) => expect(of(address)).toBe(true));

  it.each(["/", "/front/tides?via=poster&date=1", "/book/tides", "/tickets", "/feed.xml"])("is not %s", (address) =>
    expect(of(address)).toBe(false),
  );
});
