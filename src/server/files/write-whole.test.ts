import { mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { createServer, type IncomingMessage, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { inGroups } from "./in-groups";
import { pourFile } from "./pour";
import { writeWhole } from "./write-whole";

let folder = "";
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), "stage-call-files-"))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const streamOf = (parts: readonly string[], fails = false): ReadableStream<Uint8Array> =>
  new ReadableStream({
    start(controller) {
      for (const part of parts) controller.enqueue(new TextEncoder().encode(part));
      if (fails) controller.error(new Error("the line broke"));
      else controller.close();
    },
  });
const kept = () => readdirSync(folder);
const refusal = async (run: Promise<unknown>): Promise<unknown> =>
  run.then(
    () => null,
    (error: { failure?: unknown }) => error.failure,
  );

describe("a file that is brought", () => {
  it("is kept whole, as many bytes as came", async () => {
    const path = join(folder, "tides.txt");
    expect(await writeWhole(path, streamOf(["low ", "water"]), { maxBytes: 100, expectedBytes: 9 })).toBe(9);
    expect(readFileSync(path, "utf8")).toBe("low water");
    expect(await writeWhole(path, streamOf([]), { maxBytes: 100, expectedBytes: null })).toBe(0);
  });
  it.each([
    [
      "too large",
      streamOf(["123456", "789012"]),
      { maxBytes: 10, expectedBytes: null },
      { code: "file-too-large", limitBytes: 10 },
    ],
    [
      "too short",
      streamOf(["123"]),
      { maxBytes: 10, expectedBytes: 5 },
      { code: "upload-cut", expectedBytes: 5, receivedBytes: 3 },
    ],
    [
      "longer than it said",
      streamOf(["1234567"]),
      { maxBytes: 10, expectedBytes: 5 },
      { code: "upload-cut", expectedBytes: 5, receivedBytes: 7 },
    ],
    [
      "cut by its line",
      streamOf([], true),
      { maxBytes: 10, expectedBytes: 8 },
      { code: "upload-cut", expectedBytes: 8, receivedBytes: 0 },
    ],
  ])("leaves nothing half-written where it is %s", async (_, body, limits, failure) => {
    expect(await refusal(writeWhole(join(folder, "part"), body, limits))).toEqual(failure);
    expect(kept()).toEqual([]);
  });
});

describe("a file that is poured into a response", () => {
  let server: Server;
  let told: () => void;
  const served = (path: string, range: { start: number; end: number } | null): Promise<string> =>
    new Promise((done) => {
      server = createServer((_, response) => void pourFile(path, range, response).then(() => told?.()));
      server.listen(0, "127.0.0.1", () => done(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`));
    });
  afterEach(() => server.closeAllConnections());
  afterEach(() => new Promise((done) => server.close(done)));

  it("comes byte for byte, larger than the buffer that is used again", async () => {
    const path = join(folder, "large");
    const bytes = Buffer.from(Array.from({ length: 700_001 }, (_, i) => (i * 31) % 251));
    await writeWhole(path, new Blob([bytes]).stream(), { maxBytes: 1e6, expectedBytes: null });
    const whole = Buffer.from(await (await fetch(await served(path, null))).arrayBuffer());
    expect(whole.equals(bytes)).toBe(true);
  });
  it("comes as the stretch that was asked for, its last byte with it (RFC 9110 §14.1.2)", async () => {
    const path = join(folder, "short");
    await writeWhole(path, streamOf(["0123456789"]), { maxBytes: 100, expectedBytes: null });
    expect(await (await fetch(await served(path, { start: 2, end: 5 }))).text()).toBe("2345");
  });
  it("ends quietly where whoever reads goes away, and lets go of the file", async () => {
    const path = join(folder, "gone");
    await writeWhole(path, new Blob([Buffer.alloc(30_000_000)]).stream(), { maxBytes: 1e8, expectedBytes: null });
    const ended = new Promise<void>((done) => (told = done));
    const url = await served(path, null);
    const { get } = await import("node:http");
    await new Promise<void>((done) =>
      get(url, (response: IncomingMessage) => {
        response.once("data", () => {
          response.destroy();
          done();
        });
      }),
    );
    await ended;
  });
});

it("many are done so many at a time, and answered in their order", async () => {
  let [now, most] = [0, 0];
  const done = await inGroups([5, 1, 4, 2, 3], 2, async (one, index) => {
    now += 1;
    most = Math.max(most, now);
    await new Promise((turn) => setTimeout(turn, one));
    now -= 1;
    return `${index}:${one}`;
  });
  expect(done).toEqual(["0:5", "1:1", "2:4", "3:2", "4:3"]);
  expect(most).toBe(2);
  expect(await inGroups([], 3, async () => 1)).toEqual([]);
});
