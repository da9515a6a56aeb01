import { describe, expect, it } from "vitest";
import { subjectWords } from "./field-words";

describe("a subject in a list", () => {
  it("names the event and what differs by recipient, in words", () => {
    expect(subjectWords("{{name}}, a year on the shore: {{ event }}", "Annual results night")).toBe(
      "[name], a year on the shore: Annual results night",
    );
  });
  it("leaves what is no field as it was typed", () => {
    expect(subjectWords("Braces {{nope}} {stay}", "Annual results night")).toBe("Braces {{nope}} {stay}");
  });
});
