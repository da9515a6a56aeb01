import { describe, expect, it } from "vitest";
import type { Failure, IssueCode } from "@/core/shared";
import {
  acceptedLocale,
  audienceIssue,
  audienceWords,
  catalogues,
  directionOf,
  locales,
  localeOf,
  messagesFor,
  oneMomentWords,
  translatorFor,
} from ".";

const leaves = (node: unknown, path = ""): [string, string][] =>
  typeof node === "string"
    ? [[path, node]]
    : Object.entries(node as object).flatMap(([key, value]) => leaves(value, path ? `${path}.${key}` : key));
const en = catalogues.en.errors;
const english = leaves(catalogues.en);
const argumentsOf = (text: string): string[] =>
  [...new Set([...text.matchAll(/\{(\w+)(?=[,}])/g)].map((match) => match[1]!))].sort();
const fieldsOf = (text: string): string[] => [...text.matchAll(/\{\{(\w+)\}\}/g)].map((match) => match[1]!).sort();

describe("the catalogue", () => {
  it.each(locales)("has every key in %s, none empty, with the same fields and values", (locale) => {
    const own = new Map(leaves(catalogues[locale]));
    expect([...own.keys()].sort()).toEqual(english.map(([key]) => key).sort());
    for (const [key, text] of english) {
      expect([key, own.get(key)!.trim() !== ""]).toEqual([key, true]);
      expect([key, fieldsOf(own.get(key)!)]).toEqual([key, fieldsOf(text)]);
      if (!key.startsWith("mail.")) expect([key, argumentsOf(own.get(key)!)]).toEqual([key, argumentsOf(text)]);
    }
  });

  it.each(locales)("has in %s the plural forms that CLDR asks for, through Intl", (locale) => {
    const wanted = new Intl.PluralRules(locale)
      .resolvedOptions()
      .pluralCategories.filter((category) => category !== "many" || locale === "ar");
    for (const [key, text] of leaves(catalogues[locale])) {
      const plural = /\{count, plural,([^]*)\}/.exec(text)?.[1];
      if (!plural) continue;
      const forms = [...plural.matchAll(/(?:^|\s)(zero|one|two|few|many|other)\s*\{/g)].map((match) => match[1]!);
      expect([key, [...new Set(forms)].sort()]).toEqual([key, [...wanted].sort()]);
    }
    for (const count of [0, 1, 2, 3, 11, 100, 101])
      expect(translatorFor(locale, "house")("votes", { count })).not.toContain("house.");
  });

  it("counts in Arabic as CLDR does", () => {
    const votes = (count: number) => translatorFor("ar", "house")("votes", { count });
    expect([votes(1), votes(2)]).toEqual(["صوت واحد", "صوتان"]);
    expect(votes(3)).toContain("أصوات");
    expect(votes(11)).toContain("صوتًا");
  });

  it("finds the language of a tag and of a browser's wishes", () => {
    expect([localeOf("pt-BR"), localeOf("xx"), directionOf("ar-EG"), directionOf("fr")]).toEqual([
      "pt",
      "en",
      "rtl",
      "ltr",
    ]);
    expect(acceptedLocale("nl, fr;q=0.4, de-CH;q=0.8")).toBe("de");
    expect(acceptedLocale("en-GB,en;q=0.9,es;q=0.8")).toBe("en");
    expect(acceptedLocale("")).toBe("en");
    expect(acceptedLocale("ar;q=0, *")).toBe("en");
    expect(messagesFor("de").front.register).toBe("Anmelden");
  });
});

describe("refusals to guests", () => {
  const told: Failure[] = [
    { code: "too-many-tries", retryAfterSeconds: 60 },
    { code: "house-full" },
    { code: "not-found", what: "ticket" },
    { code: "unavailable" },
    { code: "poll-not-open" },
    { code: "wrong-state", action: "reply", state: "ended" },
    { code: "not-welcome", domains: ["example.org"] },
    { code: "busy", retryAfterMs: 2000 },
    { code: "not-allowed", action: "hour.end" },
    { code: "already-done", action: "hour.end" },
    { code: "overtaken" },
    { code: "cue-moved", currentSegmentId: null },
    { code: "segment-gone" },
    { code: "page-turned", page: 2 },
    { code: "curtain-moved" },
    { code: "barred" },
    { code: "not-inside" },
    { code: "too-many-streams" },
    { code: "too-fast", retryAfterMs: 1000 },
    { code: "too-large", limitBytes: 16_384 },
    { code: "switched-off", what: "chat" },
    { code: "answer-incomplete" },
    { code: "vote-locked" },
    { code: "poll-was-open" },
    { code: "comments-full", most: 50 },
    { code: "floor-full", most: 8 },
    { code: "screens-full", most: 2 },
    { code: "too-many-boards", most: 20 },
    { code: "board-full" },
    { code: "not-a-board" },
    { code: "consent-missing", people: 2 },
    { code: "channel-taken" },
    { code: "sides-not-open" },
    { code: "sides-open" },
    { code: "no-allotment", why: "impossible", people: [], most: 5 },
    { code: "no-lease" },
    { code: "disk-full" },
    { code: "not-signed-in" },
    { code: "edited-meanwhile", currentVersion: 3 },
    { code: "too-early", callAt: 0 },
  ];

  it.each(locales)("are said in %s, each in its own words", (locale) => {
    const words = told.map((failure) => audienceWords(failure, locale));
    expect(new Set(words).size).toBe(told.length);
    if (locale !== "en") for (const [i, said] of words.entries()) expect(said).not.toBe(audienceWords(told[i]!, "en"));
  });

  it("of a registration that is closed say that it is not possible just now, as before", () => {
    expect(audienceWords({ code: "switched-off", what: "registration" }, "en")).toBe(en.notNow);
  });

  it("name the field that is wrong", () => {
    const issue = (path: string, code: IssueCode = "needed") => audienceIssue({ path, code, facts: {} }, "en");
    expect([
      issue("name"),
      issue("email"),
      issue("hasConsented"),
      issue("answers.x", "answer-not-offered"),
      issue("answers.y"),
    ]).toEqual([en.name, en.email, en.consent, en.choice, en.answer]);
    expect(issue("email", "not-welcome")).toBe(en.notWelcome);
    expect(
      audienceWords(
        {
          code: "invalid-input",
          issues: [
            { path: "name", code: "name-needed", facts: {} },
            { path: "email", code: "not-an-address", facts: {} },
          ],
        },
        "en",
      ),
    ).toBe(en.other);
  });
});

describe("one moment", () => {
  it("says when it is somebody's turn, in their language, where that is some while off", () => {
    expect(oneMomentWords(null, "en")).toBe(en.oneMoment);
    expect(oneMomentWords(4999, "en")).toBe(en.oneMoment);
    expect(oneMomentWords(5000, "en")).toBe(`${en.oneMoment} Your turn comes in about 5 seconds.`);
    expect(oneMomentWords(41_000, "en")).toMatch(/ in about 45\sseconds\.$/);
    // the unit's words as CLDR has them
    expect(oneMomentWords(20_000, "de")).toMatch(/ in etwa 20\sSekunden an der Reihe\.$/);
    expect(oneMomentWords(20_000, "fr")).toMatch(/ environ 20\ssecondes\.$/);
    expect(oneMomentWords(60_000, "pt")).toMatch(/ cerca de 60\ssegundos\.$/);
    expect(oneMomentWords(20_000, "ar")).toMatch(/ثانية\.$/);
  });
});
