import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { hourMs, instantOf, minuteMs } from "../time";
import {
  checkTemplate,
  docFromTemplate,
  docHtml,
  docText,
  dueAt,
  mayReceive,
  mergeSubject,
  niceOffset,
  outcomeOf,
  plainValue,
  readAddresses,
  remindersFor,
  retryAfterMinutes,
  templateOfDoc,
  type MailDoc,
  type MergeValues,
} from ".";

const values: MergeValues = {
  name: plainValue('<b>Ines</b> & "co"'),
  event: plainValue("Tides\r\nBcc: x@example.org"),
  when: plainValue("now"),
  starts_in: plainValue("in 12 minutes"),
  producer: plainValue("Trust"),
  question: plainValue("How high?"),
  reason: plainValue(""),
  answer: plainValue("Very."),
  entry_link: plainValue("https://x"),
  event_link: plainValue("https://e"),
  recording_link: plainValue("https://r"),
  place_in_line: plainValue("3"),
  ticket_link: plainValue("https://t"),
  survey_link: plainValue("https://s"),
  join_details: { text: "Join: https://x", html: "<table></table>" },
};

describe("rule 7: mailings", () => {
  it("refuses a template without the join block, or with an unknown field and its place", () => {
    expect(checkTemplate("invitation", "s", "hello")).toEqual({ ok: false, failure: { code: "join-block-missing" } });
    expect(checkTemplate("invitation", "s", "one\n  {{nmae}} {{join_details}}")).toEqual({
      ok: false,
      failure: { code: "unknown-merge-field", field: "nmae", line: 2, column: 3 },
    });
    expect(checkTemplate("invitation", "{{join_details}}", "{{join_details}}").ok).toBe(false);
    expect(checkTemplate("invitation", "{{event}}", "{{ name }}\n\n{{join_details}}").ok).toBe(true);
    expect(checkTemplate("cancellation", "s", "no block needed").ok).toBe(true);
    expect(checkTemplate("reminder", "s", "{{answer}} {{join_details}}").ok).toBe(false);
    expect(checkTemplate("answer", "{{question}}", "{{answer}}").ok).toBe(true);
  });

  it("says the same in both parts, escaped in HTML, and keeps a subject one line", () => {
    const doc = docFromTemplate("Hello {{name}},\nwelcome\n\n{{join_details}}\n\n<script>");
    expect(docText(doc, values)).toBe('Hello <b>Ines</b> & "co",\nwelcome\n\nJoin: https://x\n\n<script>');
    expect(docHtml(doc, values)).toBe(
      "<p>Hello &lt;b&gt;Ines&lt;/b&gt; &amp; &quot;co&quot;,<br>welcome</p>\n<table></table>\n<p>&lt;script&gt;</p>",
    );
    expect(mergeSubject("{{event}}", values)).toBe("Tides Bcc: x@example.org");
  });

  it("leaves a paragraph out that holds an empty field alone, in both parts, and keeps it once the field is filled", () => {
    const doc = docFromTemplate("It is cancelled.\n\n{{reason}}\n\n{{producer}} {{reason}}");
    expect(docText(doc, values)).toBe(`It is cancelled.\n\n${values.producer.text} `);
    expect(docHtml(doc, values).match(/<p>/g)).toHaveLength(2);
    const filled = { ...values, reason: plainValue("A storm & a flood.") };
    expect(docText(doc, filled)).toContain("It is cancelled.\n\nA storm & a flood.\n\n");
    expect(docHtml(doc, filled)).toContain("<p>A storm &amp; a flood.</p>");
    expect(checkTemplate("cancellation", "s", "{{reason}}").ok).toBe(true);
    expect(checkTemplate("reminder", "s", "{{reason}} {{join_details}}").ok).toBe(false);
  });

  it("keeps looks, lists and links in both parts of a document", () => {
    const doc: MailDoc = [
      { type: "heading", words: [{ type: "text", text: "Bring" }] },
      { type: "bullets", items: [[{ type: "text", text: "boots", bold: true }], [{ type: "field", field: "name" }]] },
      { type: "paragraph", words: [{ type: "text", text: "the map", href: "https://example.org/?a=1&b=2" }] },
    ];
    expect(docText(doc, values)).toBe(
      'Bring\n\n- boots\n- <b>Ines</b> & "co"\n\nthe map (https://example.org/?a=1&b=2)',
    );
    expect(docHtml(doc, values)).toContain("<li><strong>boots</strong></li>");
    expect(docHtml(doc, values)).toContain('<a href="https://example.org/?a=1&amp;b=2">the map</a>');
  });

  it("lays a table out for both parts, its first row naming the columns, every cell escaped", () => {
    const cell = (text: string) => [{ type: "text" as const, text }];
    const table = [
      {
        type: "table" as const,
        rows: [
          [cell("Tide"), cell("Hour")],
          [cell("<low>"), cell("19:00")],
        ],
      },
    ];
    expect(docText(table, values)).toBe("Tide | Hour\n<low> | 19:00");
    expect(docHtml(table, values)).toMatch(/<th [^>]*>Tide<\/th>.*<td [^>]*>&lt;low&gt;<\/td>/);
    expect(templateOfDoc(table)).toBe("Tide | Hour\n<low> | 19:00");
  });

  it("turns words into a document and back, on 1,000 generated texts", () => {
    const piece = fc.constantFrom("{{name}}", "{{join_details}}", "a", "b c", "\n\n", "\n", "{{ nope }}", "<i>");
    let texts = 0;
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 12 }), (parts) => {
        const once = templateOfDoc(docFromTemplate(parts.join("")));
        expect(templateOfDoc(docFromTemplate(once))).toBe(once);
        texts += 1;
      }),
      { numRuns: 1000, seed: 20261125 },
    );
    console.log(`mail documents: ${texts} texts the same after a second turn`);
  });

  it("snaps a dragged mail to a distance that people speak of", () => {
    expect([niceOffset(23), niceOffset(-61), niceOffset(171), niceOffset(5000)]).toEqual([25, -60, 180, 4320]);
  });

  it("lays reminders by instants, so that a clock change moves nothing, and none that has passed", () => {
    const startAt = instantOf({ local: "2027-03-28T10:00", zone: "Europe/Madrid" });
    expect(startAt - dueAt(startAt, 24 * 60)).toBe(24 * hourMs);
    expect(remindersFor(startAt, [1440, 20], startAt - 3 * hourMs)).toEqual([
      { offsetMinutes: 20, plannedDueAt: startAt - 20 * minuteMs },
    ]);
    expect(remindersFor(startAt, [1440, 20], startAt - 5 * minuteMs)).toEqual([]);
  });

  it("keeps mails from those who cancelled, unsubscribed or whose address failed", () => {
    const person = { status: "registered", hasUnsubscribed: false, addressFailed: false } as const;
    expect(mayReceive("reminder", person)).toBe(true);
    expect(mayReceive("reminder", { ...person, hasUnsubscribed: true })).toBe(false);
    expect(mayReceive("change", { ...person, hasUnsubscribed: true })).toBe(true);
    expect(mayReceive("change", { ...person, status: "cancelled" })).toBe(false);
    expect(mayReceive("registration-cancelled", { ...person, status: "cancelled" })).toBe(true);
    expect(mayReceive("confirmation", { ...person, addressFailed: true })).toBe(false);
  });

  it("tries again on 4xx and connection faults, stops on 5xx (RFC 5321 §4.2.1)", () => {
    expect([outcomeOf(250), outcomeOf(451), outcomeOf(null), outcomeOf(550)]).toEqual([
      "accepted",
      "try-again",
      "try-again",
      "refused",
    ]);
    // RFC 4954 §6: 535 answers AUTH, RFC 5321 §4.2.2: 550 or 553 may answer MAIL FROM
    expect([535, 553, 554].map((code) => outcomeOf(code, "sender"))).toEqual([
      "sender-trouble",
      "sender-trouble",
      "sender-trouble",
    ]);
    expect([outcomeOf(454, "sender"), outcomeOf(null, "sender"), outcomeOf(250, "sender")]).toEqual([
      "try-again",
      "try-again",
      "accepted",
    ]);
    expect([1, 2, 3, 12].map(retryAfterMinutes)).toEqual([1, 2, 4, 360]);
  });

  it("reads pasted addresses in any usual form", () => {
    const list = readAddresses(
      'Ines Marl <Ines@example.org>; "Vell, Oskar" <oskar@example.net>, ines@example.org\nno address here\nmailto:sanna@example.org\ta "quote',
    );
    expect(list.addresses).toEqual([
      { name: "Ines Marl", email: "ines@example.org" },
      { name: "Oskar Vell", email: "oskar@example.net" },
      { name: "", email: "sanna@example.org" },
    ]);
    expect([list.duplicates, list.unread]).toEqual([1, ["no address here", 'a "quote']]);
  });

  it.each([
    ["Ann Vo [mailto:ann@example.org]", "Ann Vo", "ann@example.org"],
    ["Ann Vo <ann@example.org<mailto:ann@example.org>>", "Ann Vo", "ann@example.org"],
    ["To: Ann Vo <ann@example.org>", "Ann Vo", "ann@example.org"],
    ["An: ann@example.org", "", "ann@example.org"],
    ["'Ann Vo' ann@example.org.", "Ann Vo", "ann@example.org"],
    ["Vo, Ann <ann@example.org>", "Ann Vo", "ann@example.org"],
    ["• Ann Vo – ann@example.org", "Ann Vo", "ann@example.org"],
    ["Jürgen Groß <jürgen@größe.example>", "Jürgen Groß", "jürgen@größe.example"],
    ["Strand, Inc. <office@example.org>", "Strand, Inc", "office@example.org"],
  ])("reads %s", (pasted, name, email) => {
    expect(readAddresses(pasted)).toEqual({ addresses: [{ name, email }], unread: [], duplicates: 0 });
  });

  it("parts what stands on one line, by slashes, blanks and semicolons", () => {
    const { addresses } = readAddresses("a@example.org / b@example.org; c@example.org d@example.org");
    expect(addresses.map((one) => one.email[0])).toEqual(["a", "b", "c", "d"]);
  });

  it.each(["a@@b..c", "a@@example.org", "a..b@example.org", "a@example..org", "a@b", "@example.org", "a@-b.example"])(
    "never takes %s for an address",
    (pasted) => expect(readAddresses(pasted)).toEqual({ addresses: [], unread: [pasted], duplicates: 0 }),
  );
});
