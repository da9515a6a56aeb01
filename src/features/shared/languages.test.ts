import { describe, expect, it } from "vitest";
import { languageChoices, languageName } from "./languages";

describe("names of languages (BCP 47, by Unicode CLDR)", () => {
  it("are said in the reader's own, English unless asked otherwise", () => {
    expect([languageName("es"), languageName("es", "de"), languageName("de", "fr")]).toEqual([
      "Spanish",
      "Spanisch",
      "allemand",
    ]);
    expect(languageName("pt-BR")).toBe("Brazilian Portuguese");
    expect(languageName("ils", "de")).toBe("International Sign");
  });
  it("that nobody knows are their code", () => {
    expect(languageName("qqx")).toBe("qqx");
  });
  it("are offered in the order of their English names, each once, found by what they call themselves", () => {
    const choices = languageChoices();
    const labels = choices.map((one) => one.label);
    expect(labels).toEqual([...labels].sort((a, b) => a.localeCompare(b)));
    expect(new Set(choices.map((one) => one.value)).size).toBe(choices.length);
    expect(choices.find((one) => one.value === "de")).toEqual({
      value: "de",
      label: "German",
      also: ["de", "Deutsch"],
    });
    // a page that draws itself again makes none of them anew
    expect(languageChoices()).toBe(choices);
  });
});
