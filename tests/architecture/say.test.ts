import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";
import { describe, expect, it } from "vitest";
import { locales } from "@/contracts/messages";
import { sayEnglish, sayIn } from "@/contracts/say";
import { sayTables } from "@/contracts/say/tables";

const root = join(import.meta.dirname, "../../src/features");
const files = readdirSync(root, { recursive: true, encoding: "utf8" }).filter(
  (name) => /\.tsx?$/.test(name) && !name.includes(".test."),
);
const parsed = files.map((name) =>
  ts.createSourceFile(name, readFileSync(join(root, name), "utf8"), ts.ScriptTarget.Latest, true),
);

const keyOf = (template: ts.TemplateLiteral): string =>
  ts.isNoSubstitutionTemplateLiteral(template)
    ? template.text
    : template.templateSpans.reduce((key, span, i) => `${key}{${i}}${span.literal.text}`, template.head.text);

/** The sentences that are said, as the sources have them. */
function said(): ReadonlySet<string> {
  const keys = new Set<string>();
  const visit = (node: ts.Node): void => {
    if (ts.isTaggedTemplateExpression(node) && /(^|\.)say$/.test(node.tag.getText())) keys.add(keyOf(node.template));
    if (ts.isCallExpression(node) && node.expression.getText() === "phrase") {
      const [first] = node.arguments;
      if (first && ts.isStringLiteral(first)) keys.add(first.text);
    }
    ts.forEachChild(node, visit);
  };
  parsed.forEach((source) => ts.forEachChild(source, visit));
  return keys;
}
const holes = (text: string): string[] => (text.match(/\{\d+\}/g) ?? []).sort();

describe("the desk's sentences", () => {
  const keys = said();
  it.each(locales.filter((one) => one !== "en"))("are all there in %s, none that nobody says, none empty", (locale) => {
    const table = sayTables[locale];
    expect(Object.keys(table).sort()).toEqual([...keys].sort());
    for (const [key, own] of Object.entries(table))
      for (const text of typeof own === "string" ? [own] : [own.other, own.many ?? own.other]) {
        expect([key, text.trim() !== ""]).toEqual([key, true]);
        expect([key, holes(text)]).toEqual([key, holes(key)]);
      }
  });
  it("are said with what is put in, and counted as the language counts (CLDR)", () => {
    expect(sayEnglish`Let ${3} in`).toBe("Let 3 in");
    expect(sayIn("de", sayTables.de)`Let ${3} in`).toBe("3 einlassen");
    const ar = sayIn("ar", sayTables.ar);
    expect([1, 2, 3, 11, 100].map((count) => ar`${count} votes`)).toEqual([
      "صوت واحد",
      "صوتان",
      "3 أصوات",
      "11 صوتًا",
      "100 صوت",
    ]);
    expect(ar.of("Drop the curtain")).toBe("أسدل الستارة");
    expect(sayIn("fr", {})`Nobody knows ${"this"}`).toBe("Nobody knows this");
  });

  /** What a screen reader reads or a button says, written out in English beside the tables. */
  it("leave no English words standing by themselves on the desk", () => {
    const spoken = new Set(["label", "aria-label", "title", "act", "hint", "placeholder", "description"]);
    const names = new Set(["SVG", "PNG", "Ctrl K"]);
    const left: string[] = [];
    const visit = (node: ts.Node): void => {
      if (ts.isJsxText(node) && /[A-Za-z]{2}/.test(node.text) && !names.has(node.text.trim()))
        left.push(node.text.trim());
      if (
        ts.isJsxAttribute(node) &&
        spoken.has(node.name.getText()) &&
        node.initializer &&
        ts.isStringLiteral(node.initializer) &&
        /[A-Za-z]{2}/.test(node.initializer.text)
      )
        left.push(node.getText());
      ts.forEachChild(node, visit);
    };
    parsed.filter(({ fileName }) => fileName.startsWith("desk")).forEach(visit);
    expect(left).toEqual([]);
  });

  it("are said where a context can be read: a page made on the server alone cannot", () => {
    const asks = /\buse(Say|KitWords)\(\)/;
    const places = [
      ["features", files],
      ["ui", readdirSync(join(root, "../ui"), "utf8")],
    ] as const;
    const lost = places.flatMap(([folder, names]) =>
      names
        .filter((name) => name.endsWith(".tsx"))
        .map((name) => [name, readFileSync(join(root, "..", folder, name), "utf8")] as const)
        .filter(([, text]) => asks.test(text) && !text.startsWith('"use client";'))
        .map(([name]) => name),
    );
    expect(lost).toEqual([]);
  });
});
