import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { folderStorage } from "./storage";

const folder = mkdtempSync(join(tmpdir(), "storage-"));
const storage = folderStorage(folder);
afterAll(() => rmSync(folder, { recursive: true }));

const bytes = (length: number): Uint8Array => Uint8Array.from({ length }, (_, i) => i % 251);
const streamOf = (all: Uint8Array, chunk = 1000): ReadableStream<Uint8Array> =>
  new ReadableStream({
    start(to) {
      for (let at = 0; at < all.length; at += chunk) to.enqueue(all.slice(at, at + chunk));
      to.close();
    },
  });
const whole = async (stream: ReadableStream<Uint8Array>): Promise<Uint8Array> =>
  new Uint8Array(await new Response(stream).arrayBuffer());

describe("files on disk", () => {
  it("come back byte for byte, whole and by range", async () => {
    const all = bytes(10_007);
    expect(await storage.write("one.webm", streamOf(all), { maxBytes: 20_000, expectedBytes: all.length })).toBe(
      all.length,
    );
    expect(await whole(await storage.read("one.webm", null))).toEqual(all);
    expect(await whole(await storage.read("one.webm", { start: 998, end: 1003 }))).toEqual(all.slice(998, 1004));
    expect(await storage.size("one.webm")).toBe(all.length);
    expect(await storage.head("one.webm", 12)).toEqual(Buffer.from(all.slice(0, 12)));
    expect(await storage.head("one.webm", 99_999)).toHaveLength(all.length);
  });

  it("that are too large, cut or broken leave nothing behind", async () => {
    const before = readdirSync(folder);
    await expect(
      storage.write("large", streamOf(bytes(5000)), { maxBytes: 4999, expectedBytes: null }),
    ).rejects.toMatchObject({ failure: { code: "file-too-large", limitBytes: 4999 } });
    await expect(storage.write("cut", streamOf(bytes(40)), { maxBytes: 100, expectedBytes: 41 })).rejects.toMatchObject(
      { failure: { code: "upload-cut", expectedBytes: 41, receivedBytes: 40 } },
    );
    let sent = false;
    const broken = new ReadableStream<Uint8Array>({
      pull(to) {
        if (sent) to.error(new Error("the line went"));
        else to.enqueue(bytes(10));
        sent = true;
      },
    });
    await expect(storage.write("broken", broken, { maxBytes: 100, expectedBytes: 50 })).rejects.toMatchObject({
      failure: { code: "upload-cut" },
    });
    expect(readdirSync(folder)).toEqual(before);
  });

  it("a failed second upload keeps the first", async () => {
    await storage.write("twice", streamOf(bytes(30)), { maxBytes: 100, expectedBytes: 30 });
    await expect(storage.write("twice", streamOf(bytes(20)), { maxBytes: 100, expectedBytes: 25 })).rejects.toThrow();
    expect(await storage.size("twice")).toBe(30);
  });

  it("cannot be reached by a path out of the folder", async () => {
    for (const name of ["../secret", "a/b", "", "a\0b", "..\\x", "C:x"])
      await expect(Promise.resolve().then(() => storage.size(name))).rejects.toThrow();
  });

  it("go, once and again", async () => {
    await storage.write("gone", streamOf(bytes(3)), { maxBytes: 10, expectedBytes: null });
    await storage.remove("gone");
    await storage.remove("gone");
    await expect(storage.size("gone")).rejects.toThrow();
  });
});
