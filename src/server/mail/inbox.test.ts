import { mkdtempSync, readdirSync, writeFileSync, mkdirSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { maildir, type Mishap, type Taking } from "./inbox";

function box(names: readonly string[]) {
  const folder = mkdtempSync(join(tmpdir(), "maildir-"));
  mkdirSync(join(folder, "new"), { recursive: true });
  for (const name of names) writeFileSync(join(folder, "new", name), `mail ${name}`);
  return { inbox: maildir(folder), in: (part: "new" | "aside") => readdirSync(join(folder, part)).sort() };
}
const taking = (part: Partial<Taking> & Pick<Taking, "take">): Taking & { mishaps: Mishap[] } => {
  const mishaps: Mishap[] = [];
  return { isPassing: () => false, onMishap: (one) => mishaps.push(one), mishaps, ...part };
};

describe("a Maildir", () => {
  it("hands over what waits, oldest first, once each", async () => {
    const { inbox, in: at } = box(["2", "1", "3"]);
    const seen: string[] = [];
    const one = taking({ take: async (raw, name) => void seen.push(`${name}: ${new TextDecoder().decode(raw)}`) });
    expect(await inbox.each(one)).toBe(3);
    expect(await inbox.each(one)).toBe(0);
    expect(seen).toEqual(["1: mail 1", "2: mail 2", "3: mail 3"]);
    expect([at("new"), at("aside")]).toEqual([[], []]);
  });

  it("one that cannot be read holds up none behind it, is tried three times and then put aside", async () => {
    const { inbox, in: at } = box(["1", "bad", "z"]);
    const seen: string[] = [];
    const one = taking({
      take: async (_, name) => {
        if (name === "bad") throw new Error("a NUL in its UID");
        seen.push(name);
      },
    });
    expect(await inbox.each(one)).toBe(2);
    expect(seen).toEqual(["1", "z"]);
    expect(at("new")).toEqual(["bad,tried=1"]);
    await inbox.each(one);
    expect(at("new")).toEqual(["bad,tried=2"]);
    await inbox.each(one);
    expect([at("new"), at("aside")]).toEqual([[], ["bad"]]);
    expect(one.mishaps.map((mishap) => [mishap.name, mishap.isPutAside])).toEqual([
      ["bad", false],
      ["bad", false],
      ["bad", true],
    ]);
    await inbox.each(one);
    expect(one.mishaps).toHaveLength(3);
  });

  it("what is none of the mail's counts against none: all wait as they were", async () => {
    const { inbox, in: at } = box(["1", "2"]);
    const away = new Error("database away");
    const one = taking({ take: () => Promise.reject(away), isPassing: (error) => error === away });
    await expect(inbox.each(one)).rejects.toBe(away);
    expect(at("new")).toEqual(["1", "2"]);
    expect(one.mishaps).toEqual([]);
  });

  it("a mail that was tried and then goes through is handled under its own name, and nothing of it is kept", async () => {
    const { inbox, in: at } = box(["1"]);
    let isFirst = true;
    const one = taking({
      take: async (_, name) => {
        expect(name).toBe("1");
        if (isFirst) throw new Error("once");
      },
    });
    await inbox.each(one);
    isFirst = false;
    expect(await inbox.each(one)).toBe(1);
    expect([at("new"), at("aside")]).toEqual([[], []]);
  });
});
