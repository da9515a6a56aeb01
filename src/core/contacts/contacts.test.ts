import fc from "fast-check";
import ICAL from "ical.js";
import { describe, expect, it } from "vitest";
import { guessMapping, likelySame, readContact, vcards, type ContactDraft } from ".";

const draft = (part: Partial<ContactDraft>): ContactDraft => ({
  name: "",
  email: "a@example.org",
  company: "",
  phone: "",
  locale: null,
  zone: null,
  tags: [],
  groups: [],
  note: "",
  ...part,
});

describe("columns of a file of contacts", () => {
  it("are found by their words, each field once", () => {
    expect(guessMapping(["Full Name", "E-mail", "Group", "Shoe size", "email address"])).toEqual([
      "name",
      "email",
      "groups",
      null,
      null,
    ]);
    expect(guessMapping(["Prénom", "Nachname", "Correo"])).toEqual(["given_name", "family_name", "email"]);
  });
});

describe("one line as a contact", () => {
  it("joins parted names, tidies the address, keeps lists", () => {
    expect(
      readContact({
        given_name: "Ines",
        family_name: "Marl",
        email: " <INES@Example.org> ",
        tags: "warden; ringer;warden",
      }),
    ).toMatchObject({ name: "Ines Marl", email: "ines@example.org", tags: ["warden", "ringer"] });
  });
  it("leaves no line break in a name: it would break a mail's header", () => {
    expect(readContact({ name: "Ines\r\nBcc: all@example.org", email: "i@example.org" })).toMatchObject({
      name: "Ines Bcc: all@example.org",
    });
  });
  it("names what is wrong, and leaves out a zone that does not exist", () => {
    expect(readContact({ name: "x" })).toBe("no-address");
    expect(readContact({ email: "not an address" })).toBe("bad-address");
    expect(readContact({ email: "a@example.org", name: "x".repeat(201) })).toBe("too-long");
    expect(readContact({ email: "a@example.org", time_zone: "Europe/Nowhere", language: "pt_BR" })).toMatchObject({
      zone: null,
      locale: "pt-BR",
    });
  });
});

describe("likely the same person", () => {
  const named = (id: string, name: string) => ({ id, name, email: `${id}@example.org` });
  it("finds names turned round, with and without marks, and slips of the pen; strangers who share a word are left alone", () => {
    const book = [
      named("a", "Marl, Inês"),
      named("b", "Ines Marl"),
      named("c", "Wenna Tarrow"),
      named("d", "Wena Tarrow"),
      named("e", "Oskar Marl"),
      named("f", "Wenna Skerry"),
    ];
    expect(likelySame(book).map((pair) => [pair.a, pair.b])).toEqual([
      ["a", "b"],
      ["c", "d"],
    ]);
  });
});

describe("vCard 4 (RFC 6350)", () => {
  const word = fc
    .stringMatching(/^[\p{L}\p{N} ,;\\.'"-]{1,30}$/u)
    .map((text) => text.trim())
    .filter(Boolean);
  it("is read back whole by an independent parser, 500 generated books", () => {
    let cards = 0;
    fc.assert(
      fc.property(
        fc.array(fc.record({ name: word, company: word, note: word }), { minLength: 1, maxLength: 4 }),
        (list) => {
          const parsed = ICAL.parse(vcards(list.map((one) => draft(one)))) as unknown[];
          const roots = (Array.isArray(parsed[0]) ? parsed : [parsed]) as never[];
          expect(roots.map((root) => new ICAL.Component(root).getFirstPropertyValue("fn"))).toEqual(
            list.map((one) => one.name),
          );
          cards += roots.length;
        },
      ),
      { numRuns: 500, seed: 20261125 },
    );
    console.log(`vCard: ${cards} cards read back`);
  });
  it("folds at 75 octets and begins and ends each card", () => {
    const text = vcards([draft({ name: "é".repeat(80) })]);
    expect(text.startsWith("BEGIN:VCARD\r\nVERSION:4.0\r\nFN:")).toBe(true);
    expect(Math.max(...text.split("\r\n").map((line) => new TextEncoder().encode(line).length))).toBeLessThanOrEqual(
      75,
    );
    expect(text.endsWith("END:VCARD\r\n")).toBe(true);
  });
});
