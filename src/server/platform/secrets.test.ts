import { createHmac, hkdfSync } from "node:crypto";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { makeSecrets } from "./secrets";

const secrets = makeSecrets("a-master-of-thirty-two-characters-or-more");
const others = makeSecrets("another-master-of-thirty-two-characters-x");
const id = "0f8fad5b-d9cb-469f-a165-70867728950e";

describe("links", () => {
  it("name their ticket and its version, and nothing else opens", () => {
    fc.assert(
      fc.property(fc.uuid(), fc.nat(50), fc.nat(50), (ticketId, version, other) => {
        const claim = secrets.readToken(secrets.tokenFor(ticketId, version))!;
        expect(claim.ticketId).toBe(ticketId);
        expect(claim.matches(version)).toBe(true);
        expect(claim.matches(other)).toBe(other === version);
      }),
      { numRuns: 200 },
    );
  });

  it("are the same each time they are made, so that a mail can be written again", () => {
    expect(secrets.tokenFor(id, 3)).toBe(secrets.tokenFor(id, 3));
    expect(secrets.tokenFor(id, 3)).not.toBe(secrets.tokenFor(id, 4));
    expect(others.tokenFor(id, 3)).not.toBe(secrets.tokenFor(id, 3));
  });

  it("stand for nothing when one character is changed", () => {
    const token = secrets.tokenFor(id, 0);
    for (let i = 1; i < token.length; i += 1) {
      const changed = token.slice(0, i) + (token[i] === "A" ? "B" : "A") + token.slice(i + 1);
      const claim = secrets.readToken(changed);
      // the last character carries spare bits: the same bytes are the same link
      const isSameBytes =
        changed.slice(0, 2) === token.slice(0, 2) &&
        Buffer.from(changed.slice(2), "base64url").equals(Buffer.from(token.slice(2), "base64url"));
      if (!isSameBytes) expect(claim === null || claim.ticketId !== id || !claim.matches(0)).toBe(true);
    }
    expect(others.readToken(token)?.matches(0) ?? false).toBe(false);
  });

  it("cannot be read from anything else", () => {
    for (const text of [
      "",
      "a",
      "nonsense",
      `00${secrets.tokenFor(id, 0).slice(2)}`,
      `${secrets.tokenFor(id, 0)}x`,
      "a".repeat(4000),
      "a../../etc/passwd",
      "a%00",
    ])
      expect(secrets.readToken(text)).toBeNull();
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(secrets.readToken(text)?.matches(0) ?? false).toBe(false);
      }),
      { numRuns: 300 },
    );
  });
});

describe("PINs, seals and prints", () => {
  it("gives nine digits that change with the version", () => {
    fc.assert(
      fc.property(fc.uuid(), fc.nat(9), (ticketId, version) => {
        expect(secrets.pinFor(ticketId, version)).toMatch(/^[1-9]\d{8}$/);
      }),
      { numRuns: 200 },
    );
    expect(secrets.pinFor(id, 0)).not.toBe(secrets.pinFor(id, 1));
  });

  it("opens what it sealed, each time with other bytes, and refuses what was changed", () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(secrets.unseal(secrets.seal(text))).toBe(text);
      }),
      { numRuns: 100 },
    );
    const sealed = secrets.seal("low-tide-7");
    expect(secrets.seal("low-tide-7")).not.toBe(sealed);
    expect(sealed).not.toContain("tide");
    const bytes = Buffer.from(sealed, "base64url");
    bytes[bytes.length - 1]! ^= 1;
    expect(secrets.unseal(bytes.toString("base64url"))).toBeNull();
    expect(others.unseal(sealed)).toBeNull();
    expect(secrets.unseal("no such thing")).toBeNull();
  });

  it("prints the same text alike and shows nothing of it", () => {
    expect(secrets.fingerprint("ines@example.org")).toBe(secrets.fingerprint("ines@example.org"));
    expect(secrets.fingerprint("ines@example.org")).not.toContain("ines");
    expect(others.fingerprint("ines@example.org")).not.toBe(secrets.fingerprint("ines@example.org"));
  });

  it("uses a key of its own for each purpose", () => {
    expect(
      new Set([
        secrets.signInSecret,
        others.signInSecret,
        makeSecrets("a-master-of-thirty-two-characters-or-more").signInSecret,
      ]).size,
    ).toBe(2);
    expect(secrets.signInSecret).toMatch(/^[0-9a-f]{64}$/);
  });
});

describe("a changed master", () => {
  const first = makeSecrets("the-first-master-of-thirty-two-letters-or-more");
  const second = makeSecrets(
    "the-second-master-of-thirty-two-letters-it-is",
    "the-first-master-of-thirty-two-letters-or-more",
  );
  const alone = makeSecrets("the-second-master-of-thirty-two-letters-it-is");
  it("still reads what the previous one made: links, PINs, seals, mailboxes", () => {
    expect(second.readToken(first.tokenFor(id, 3))?.matches(3)).toBe(true);
    expect(second.isPin(first.pinFor(id, 1), id, 1)).toBe(true);
    expect(second.unseal(first.seal("low-tide-7"))).toBe("low-tide-7");
    expect(second.readMailbox(first.mailboxFor(id))).toBe(id);
  });
  it("makes everything with its own key, and without the previous one old things are dead", () => {
    expect(first.readToken(second.tokenFor(id, 3))).toBeNull();
    expect(alone.readToken(second.tokenFor(id, 3))?.matches(3)).toBe(true);
    expect(alone.readToken(first.tokenFor(id, 3))?.matches(3) ?? false).toBe(false);
    expect(alone.isPin(first.pinFor(id, 1), id, 1)).toBe(false);
    expect(alone.unseal(first.seal("low-tide-7"))).toBeNull();
    expect(alone.readMailbox(first.mailboxFor(id))).toBeNull();
  });
  it("reads links from before keys had letters", () => {
    // as the first version wrote them: the letter a, the id's bytes, and 18 bytes of HMAC over "a|id|version"
    const key = Buffer.from(
      hkdfSync("sha256", "the-first-master-of-thirty-two-letters-or-more", "stage-call", "links", 32),
    );
    const mac = createHmac("sha256", key).update(`a|${id}|2`).digest().subarray(0, 18);
    const old = `a${Buffer.concat([Buffer.from(id.replaceAll("-", ""), "hex"), mac]).toString("base64url")}`;
    expect(first.readToken(old)?.matches(2)).toBe(true);
    expect(second.readToken(old)?.matches(2)).toBe(true);
    expect(alone.readToken(old)?.matches(2)).toBe(false);
  });
});

describe("mailboxes for answers and reports", () => {
  it("name one mail, in letters that no server changes, and cannot be made up", () => {
    const part = secrets.mailboxFor(id);
    expect(part).toMatch(/^[0-9a-z]{41}$/);
    expect(secrets.readMailbox(part.toUpperCase())).toBe(id);
    const forged = part.slice(0, -1) + (part.endsWith("0") ? "1" : "0");
    expect([forged, part.slice(1), "", id].map((one) => secrets.readMailbox(one))).toEqual([null, null, null, null]);
  });
});
