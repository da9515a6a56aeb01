import { describe, expect, it } from "vitest";
import { contactsIn, previewOf } from "./read-file";

const utf8 = (text: string) => new TextEncoder().encode(text);
const utf16 = (text: string, isBigEndian: boolean, hasMark: boolean) => {
  const whole = hasMark ? `\uFEFF${text}` : text;
  const out = new Uint8Array(whole.length * 2);
  [...whole].forEach((_, i) => new DataView(out.buffer).setUint16(i * 2, whole.charCodeAt(i), !isBigEndian));
  return out;
};
/** Windows-1252 (WHATWG Encoding): the letters used here have their code points, the euro sign 0x80. */
const windows1252 = (text: string) => Uint8Array.from([...text].map((one) => (one === "€" ? 0x80 : one.charCodeAt(0))));
const table = "name;email;note\r\nJürgen Größe;jg@example.org;5 €\r\n";
const mapping = ["name", "email", "note"] as const;
const draftsOf = (bytes: Uint8Array) => contactsIn(bytes, mapping).drafts;

describe("a file of contacts, in whatever encoding it was saved", () => {
  it.each([
    ["UTF-8", utf8(table)],
    ["UTF-8 with its mark", utf8(`\uFEFF${table}`)],
    ["Windows-1252", windows1252(table)],
    ["UTF-16, little end first", utf16(table, false, true)],
    ["UTF-16, big end first", utf16(table, true, true)],
    ["UTF-16 without its mark", utf16(table, false, false)],
  ])("%s", (_name, bytes) => {
    expect(draftsOf(bytes)).toMatchObject([{ name: "Jürgen Größe", email: "jg@example.org", note: "5 €" }]);
  });
  it("refuses what is no text at all", () => {
    const picture = Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 0x0d]);
    expect(() => draftsOf(picture)).toThrow("bad-file");
  });
});

describe("rows of a file", () => {
  it("are counted by the line in which they begin, through quoted cells and empty lines", () => {
    const text = 'name,email\n"Two\nlines",two@example.org\n\nNobody,\n"Three\n\nlines",wrong\n';
    expect(previewOf(utf8(text), null).bad).toEqual([
      { line: 5, reason: "no address" },
      { line: 6, reason: "the address cannot be read" },
    ]);
  });
  it("name the row in which a quote was opened and never closed", () => {
    const text = 'name,email\nA,a@example.org\n"B,b@example.org\nC,c@example.org\n';
    expect(() => previewOf(utf8(text), null)).toThrow(
      expect.objectContaining({ failure: expect.objectContaining({ reason: "broken-quotes", line: 3 }) }),
    );
  });
  it("of the same address are one person: tags joined, what the first lacks taken from the second", () => {
    const text = "name,email,company,tags\nAnn,ann@example.org,,warden\n,ANN@example.org,Shore Trust,ringer\n";
    expect(contactsIn(utf8(text), ["name", "email", "company", "tags"]).drafts).toMatchObject([
      { name: "Ann", company: "Shore Trust", tags: ["warden", "ringer"] },
    ]);
  });
  it("with several addresses keep the others where they can be read", () => {
    const text = 'name,email\n"Doe, Jane",jane@example.org; second@example.org\n';
    expect(contactsIn(utf8(text), ["name", "email"]).drafts).toMatchObject([
      { name: "Doe, Jane", email: "jane@example.org", note: "Also: second@example.org" },
    ]);
  });
});

const card = (...lines: string[]) => utf8(["BEGIN:VCARD", ...lines, "END:VCARD", ""].join("\r\n"));
const fields = ["name", "email", "company", "phone", "language", "time_zone", "tags", "note"] as const;

describe("cards", () => {
  it("of vCard 2.1 (versit, 1996): bare parameters, quoted-printable over two lines, another charset", () => {
    const bytes = card(
      "VERSION:2.1",
      "N;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:Gr=C3=B6=",
      "=C3=9Fe;J=C3=BCrgen",
      "FN;ENCODING=QUOTED-PRINTABLE;CHARSET=ISO-8859-1:J=FCrgen Gr=F6=DFe",
      "TEL;HOME;VOICE:+44 20 7946 0123",
      "EMAIL;PREF;INTERNET:jg@example.org",
      "NOTE:counts eiders, gulls",
    );
    expect(contactsIn(bytes, fields).drafts).toMatchObject([
      {
        name: "Jürgen Größe",
        email: "jg@example.org",
        phone: "+44 20 7946 0123",
        note: "counts eiders, gulls",
      },
    ]);
  });
  it("with escaped semicolons and several addresses (RFC 6350 §3.4, RFC 2426 §3.3.2)", () => {
    const bytes = card(
      "VERSION:3.0",
      "FN:Vell\\; Oskar",
      "ORG:Shore\\; Trust",
      "EMAIL;TYPE=home:home@example.org",
      "EMAIL;TYPE=work,pref:work@example.org",
    );
    expect(contactsIn(bytes, fields).drafts).toMatchObject([
      { name: "Vell; Oskar", company: "Shore; Trust", email: "work@example.org", note: "Also: home@example.org" },
    ]);
  });
  it("that cannot be taken are named by the line in which they begin", () => {
    const bytes = utf8(
      "BEGIN:VCARD\r\nVERSION:3.0\r\nFN:A\r\nEMAIL:a@example.org\r\nEND:VCARD\r\nBEGIN:VCARD\r\nVERSION:3.0\r\nFN:B\r\nEND:VCARD\r\n",
    );
    expect(previewOf(bytes, null).bad).toEqual([{ line: 6, reason: "no address" }]);
  });
});
