import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, it } from "vitest";
import { locales } from "@/contracts/messages";
import { Tabs, Theme } from "@/ui";
import { InLanguage } from "./language";

const tabs = createElement(Tabs, { label: "Lists", tabs: [{ id: "one", label: "One", content: "first" }] });
const asked = { label: "Language", choose: () => Promise.resolve() };
const page = (locale: "en" | "ar") => renderToStaticMarkup(InLanguage({ ...asked, locale, children: tabs }));

describe("a page in the visitor's language", () => {
  it("runs the way that language is written, and so do the parts of the kit in it", () => {
    for (const [locale, dir] of [
      ["en", "ltr"],
      ["ar", "rtl"],
    ] as const) {
      const markup = page(locale);
      expect(markup).toContain(`lang="${locale}"`);
      const directions = [...markup.matchAll(/ dir="(\w+)"/g)].map((match) => match[1]);
      // of the page, and of the tabs that the kit's provider tells
      expect(directions.length).toBeGreaterThan(1);
      expect(new Set(directions)).toEqual(new Set([dir]));
    }
  });

  it("offers every language by its own name, the present one marked", () => {
    const markup = page("ar");
    for (const one of locales) expect(markup).toContain(`lang="${one}"`);
    expect(markup.match(/aria-current="true"/g)).toHaveLength(1);
  });
});

describe("a part of a page in colours of its own", () => {
  it("says its colours and its direction where it stands", () => {
    const markup = renderToStaticMarkup(Theme({ theme: "desk", dir: "rtl", children: "stage" }));
    expect(markup).toBe('<div data-theme="desk" dir="rtl">stage</div>');
  });
});
