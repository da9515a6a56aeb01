import { describe, expect, it } from "vitest";
import { isAuthentic, mailboxOf, messageOfMailbox } from "./mailbox";

const id = "3f1c2d4e-0000-4000-8000-00000000abcd";
const known = "k".repeat(40);
const context = {
  secrets: {
    mailboxFor: () => known,
    readMailbox: (secret: string) => (secret.toLowerCase() === known ? id : null),
  },
} as unknown as Parameters<typeof mailboxOf>[0];
const mail = (...lines: string[]) => [...lines, "", "The words of it."].join("\r\n");

describe("the address of one mail's answers", () => {
  it("is a subaddress of the sender's own (RFC 5233), never longer than an address may be (RFC 5321 §4.5.3.1.1)", () => {
    expect(mailboxOf(context, "tides@example.org", id)).toBe(`tides+${known}@example.org`);
    const long = mailboxOf(context, `${"a".repeat(64)}@example.org`, id);
    expect(long.indexOf("@")).toBe(64);
    expect(long.endsWith(`+${known}@example.org`)).toBe(true);
  });
  it("tells which mail an answer is about, whichever header has it, folded lines too", () => {
    const to = `tides+${known}@example.org`;
    expect(messageOfMailbox(context, mail("From: x@example.org", `To: <${to}>`))).toBe(id);
    expect(messageOfMailbox(context, mail("To: Tides <other@example.org>,", `\t"Tides" <${to}>`))).toBe(id);
    expect(messageOfMailbox(context, mail(`Delivered-To: ${to.toUpperCase()}`))).toBe(id);
    expect(messageOfMailbox(context, mail(`cc: a@example.org, ${to}`))).toBe(id);
  });
  it("tells nothing of an address that nobody gave, nor of one in other headers or in the words", () => {
    expect(messageOfMailbox(context, mail(`To: tides+${"m".repeat(40)}@example.org`))).toBeNull();
    expect(messageOfMailbox(context, mail("To: tides@example.org"))).toBeNull();
    expect(messageOfMailbox(context, mail(`Subject: To tides+${known}@example.org`))).toBeNull();
    expect(messageOfMailbox(context, `To: a@example.org\r\n\r\nTo: tides+${known}@example.org\r\n`)).toBeNull();
    expect(messageOfMailbox(context, "")).toBeNull();
  });
});

describe("who sent a mail, as our own server found (RFC 8601)", () => {
  const said = (...lines: string[]) => isAuthentic(mail(...lines), "mx.example.org");
  it("is proven or disproven by what it says of DMARC", () => {
    expect(said("Authentication-Results: mx.example.org; dkim=pass header.d=a; dmarc=pass header.from=a")).toBe(true);
    expect(said("Authentication-Results: mx.example.org 1;", " spf=pass smtp.mailfrom=a;", " dmarc=fail")).toBe(false);
    expect(said("authentication-results: MX.example.org; DMARC=PASS")).toBe(true);
  });
  it("is open where it says nothing of it, or cannot say", () => {
    expect(said("Authentication-Results: mx.example.org; none")).toBeNull();
    expect(said("Authentication-Results: mx.example.org; dmarc=temperror")).toBeNull();
    expect(said("Subject: Tides")).toBeNull();
    expect(isAuthentic(mail("Authentication-Results: mx.example.org; dmarc=pass"), undefined)).toBeNull();
  });
  it("is not decided by a header that anybody may have written (§1.6, §5)", () => {
    expect(said("Authentication-Results: mx.elsewhere.example; dmarc=pass")).toBeNull();
    // ours is put on top: what stands below came with the mail
    const forged = "Authentication-Results: mx.example.org; dmarc=pass";
    expect(said("Authentication-Results: mx.example.org; dmarc=fail", forged)).toBe(false);
    expect(isAuthentic(`Subject: a\r\n\r\n${forged}\r\n`, "mx.example.org")).toBeNull();
  });
});
