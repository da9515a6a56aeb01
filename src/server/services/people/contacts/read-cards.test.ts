import { describe, expect, it } from "vitest";
import { readCards } from "./read-cards";
import { asVcard3 } from "./vcard-21";

const card = (...lines: string[]): string => ["BEGIN:VCARD", ...lines, "END:VCARD", ""].join("\r\n");
const cells = (text: string) => readCards(text, 100).map((row) => row.cells);

/** Quoted-printable of RFC 2045 §6.7; bare parameters and `CHARSET` of vCard 2.1 (versit, 1996). */
describe("cards of version 2.1", () => {
  it("become cards of version 3, their encoded names readable", () => {
    const old = card(
      "VERSION:2.1",
      "FN;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:Ines M=C3=A4rl",
      "TEL;CELL:+351 900 000 001",
    );
    expect(asVcard3(old)).toContain("VERSION:3.0");
    expect(cells(old)[0]!.slice(0, 4)).toEqual(["Ines Märl", "", "", "+351 900 000 001"]);
  });
  it("in whatever set of characters they say", () => {
    const old = card(
      "VERSION:2.1",
      "FN;CHARSET=ISO-8859-1;QUOTED-PRINTABLE:Ren=E9 Saltby",
      "EMAIL;INTERNET:rene@example.org",
    );
    expect(cells(old)[0]!.slice(0, 2)).toEqual(["René Saltby", "rene@example.org"]);
    // a set that nobody knows is read as UTF-8
    const odd = card("VERSION:2.1", "FN;CHARSET=X-NONE;QUOTED-PRINTABLE:Ren=C3=A9", "EMAIL:r@example.org");
    expect(cells(odd)[0]![0]).toBe("René");
  });
  it("go on after a soft line break, and after a folded line", () => {
    const soft = card("VERSION:2.1", "FN;ENCODING=QUOTED-PRINTABLE:Ines =", "Marl", "EMAIL:ines@example.org");
    expect(cells(soft)[0]!.slice(0, 2)).toEqual(["Ines Marl", "ines@example.org"]);
    const folded = card("VERSION:2.1", "FN:Ines", " Marl", "EMAIL:ines@example.org");
    expect(cells(folded)[0]![0]).toBe("Ines Marl");
  });
  it("leave cards of later versions as they are", () => {
    const later = card("VERSION:4.0", "FN:Ines, Marl=41", "EMAIL:ines@example.org");
    expect(asVcard3(later)).toBe(later);
  });
});

describe("cards as rows of a table", () => {
  it("each with the line where it begins, and the preferred address first (RFC 6350 §5.3, RFC 2426 §3.3.2)", () => {
    const two =
      card(
        "VERSION:3.0",
        "FN:Ines Marl",
        "EMAIL:old@example.org",
        "EMAIL;TYPE=pref:ines@example.org",
        "ORG:Saltby;Tides",
      ) +
      card(
        "VERSION:4.0",
        "FN:Jorn Heath",
        "EMAIL:second@example.org",
        "EMAIL;PREF=1:jorn@example.org",
        "TEL;VALUE=uri:tel:+351-900",
        "CATEGORIES:crew,guest",
        "LANG:pt",
        "TZ:Europe/Lisbon",
        "NOTE:Comes early",
      );
    const rows = readCards(two, 100);
    expect(rows.map((row) => row.line)).toEqual([1, 8]);
    expect(rows[0]!.cells.slice(0, 3)).toEqual(["Ines Marl", "ines@example.org old@example.org", "Saltby Tides"]);
    expect(rows[1]!.cells).toEqual([
      "Jorn Heath",
      "jorn@example.org second@example.org",
      "",
      "+351-900",
      "pt",
      "Europe/Lisbon",
      "crew,guest",
      "Comes early",
    ]);
  });
  it("by given name and family name where the whole name is missing (RFC 6350 §6.2.2)", () => {
    expect(cells(card("VERSION:3.0", "N:Marl;Ines;;;", "EMAIL:ines@example.org"))[0]![0]).toBe("Ines Marl");
  });
  it("with a zone by its name in a card of version 3 too, as telephones write it; what cannot be read is left out", () => {
    const named = card("VERSION:3.0", "FN:Ines", "EMAIL:ines@example.org", "item1.TZ:Europe/Lisbon");
    expect(cells(named)[0]![5]).toBe("Europe/Lisbon");
    expect(cells(card("VERSION:3.0", "FN:Ines", "TZ:-05:00"))[0]![5]).toBe("-05:00");
    const odd = card("VERSION:3.0", "FN:Ines", "EMAIL:ines@example.org", "TZ;VALUE=utc-offset:somewhere");
    expect(cells(odd)[0]!.slice(0, 6)).toEqual(["Ines", "ines@example.org", "", "", "", ""]);
  });
  it("no more than were asked for; what is no card is said", () => {
    const many = Array.from({ length: 5 }, (_, i) => card("VERSION:3.0", `FN:Guest ${i}`)).join("");
    expect(readCards(many, 3)).toHaveLength(3);
    expect(() => readCards("name,email\r\nInes,ines@example.org\r\n", 10)).toThrow(
      expect.objectContaining({ failure: { code: "bad-file", reason: "not-a-table" } }),
    );
  });
});
