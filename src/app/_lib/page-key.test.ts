import { describe, expect, it } from "vitest";
import { pageKey } from "./page-key";

const key = (query: string, languages = "en") =>
  pageKey("/front/tidal-gardens", new URLSearchParams(query), languages, "calls.example.org");

describe("what an anonymous visitor's page is kept by", () => {
  it("has nothing of the marks that other places add to a link", () => {
    expect(key("fbclid=1&utm_source=mail")).toEqual(key(""));
    expect(key("x=1")?.path).toBe("/front/tidal-gardens");
  });

  it("has the place a visitor came from and the date asked for, in one order", () => {
    expect(key("date=7&via=poster&x=9")).toEqual(key("via=poster&date=7"));
    expect(key("via=poster")).not.toEqual(key("via=letter"));
  });

  it("takes the first of a word said twice, as the page does not know which is meant", () => {
    expect(key("via=poster&via=letter")).toEqual(key("via=poster"));
  });

  it("has one page a language, however a browser lists its wishes (RFC 9110 §12.5.4)", () => {
    expect(key("", "de-AT,de;q=0.9,en;q=0.4")).toEqual(key("", "de"));
    expect(key("", "de")).not.toEqual(key("", "en"));
  });

  it("keeps nothing for a word that is too long", () => {
    expect(key(`via=${"p".repeat(61)}`)).toBeNull();
  });

  it("is another for another host", () => {
    expect(pageKey("/", new URLSearchParams(), "en", "a.example.org")).not.toEqual(
      pageKey("/", new URLSearchParams(), "en", "b.example.org"),
    );
  });
});
