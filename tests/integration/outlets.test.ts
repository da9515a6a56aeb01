import { execFileSync, spawn } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { outletLeaseMs, outletRetryMs } from "@/core/programme";
import { events, occurrences, outlets } from "@/server/db/schema";
import { OutletKeeper } from "@/server/outlets/keeper";
import { addOutlet, holdOutlets, outletsFor, removeOutlet, switchOutlet } from "@/server/services/hour/outlets";
import { startLiveReceiver } from "@/stand-ins/live-receiver";
import { makeEvent, makeWorld, startOfTime, type MadeEvent, type World } from "../support/world";

const [programmePort, receiverPort, key] = [23_420, 23_421, "mud-and-sand"];
let world: World;
let event: MadeEvent;
let receiver: ReturnType<typeof startLiveReceiver>;
let programme: Server;

/** A programme in pieces of a second: two minutes of a drawn picture with a tone, by ffmpeg itself. */
function drawnProgramme(): string {
  const folder = mkdtempSync(join(tmpdir(), "outlet-"));
  const drawn = ["-f", "lavfi", "-i", "testsrc=size=320x180:rate=15", "-f", "lavfi", "-i", "sine=frequency=440"];
  const made = ["-t", "120", "-c:v", "libx264", "-preset", "ultrafast", "-g", "15", "-c:a", "libopus", "-b:a", "32k"];
  const listed = ["-f", "hls", "-hls_time", "1", "-hls_segment_type", "fmp4", "-hls_list_size", "0"];
  execFileSync("ffmpeg", ["-v", "error", ...drawn, ...made, ...listed, join(folder, "programme.m3u8")]);
  return folder;
}

/** Its list as it stands while it is on the air: a piece more each second, and no end (RFC 8216 §6.2.1). */
function listAt(list: string, seconds: number): string {
  const [head, ...pieces] = list.replace("#EXT-X-ENDLIST", "").split(/(?=#EXTINF)/);
  return [head, ...pieces.slice(0, 3 + Math.floor(seconds))].join("");
}

beforeAll(async () => {
  const folder = drawnProgramme();
  const from = performance.now();
  programme = createServer((request, response) => {
    const name = new URL(request.url!, "http://here").pathname.split("/").at(-1)!;
    const bytes = readFileSync(join(folder, name));
    response.end(name.endsWith(".m3u8") ? listAt(bytes.toString(), (performance.now() - from) / 1000) : bytes);
  }).listen(programmePort, "127.0.0.1");
  receiver = startLiveReceiver({ port: receiverPort, keys: [key] });
  const made = await makeWorld();
  const environment = { ...made.context.environment, STAGE_CALL_URL: `http://127.0.0.1:${programmePort}` };
  world = { ...made, context: { ...made.context, environment } };
});
afterAll(async () => {
  receiver.close();
  programme.close();
  await world.close();
});
beforeEach(async () => {
  world.clock.set(startOfTime);
  await world.context.db.delete(outlets);
  event = await makeEvent(world);
});

/** Of every program that runs here (proc(5)). */
const commandLines = (): string[] =>
  readdirSync("/proc")
    .filter((name) => /^\d+$/.test(name))
    .flatMap((pid) => {
      try {
        return [readFileSync(`/proc/${pid}/cmdline`, "utf8").replaceAll("\0", " ")];
      } catch {
        return [];
      }
    });
const opened = () =>
  world.context.db.update(occurrences).set({ phase: "open" }).where(eq(occurrences.id, event.occurrenceId));
const there = { name: "Shore radio", address: `rtmp://127.0.0.1:${receiverPort}/stage`, key };
const add = (part: Partial<typeof there> = {}) =>
  addOutlet(world.context, world.owner, event.eventId, { ...there, ...part });
const lines = () => outletsFor(world.context, world.owner, event.eventId);
/** Looks again until it stands so; the other program takes its own time. */
async function until(keeper: OutletKeeper, isSo: () => boolean | Promise<boolean>): Promise<void> {
  await expect
    .poll(
      async () => {
        await keeper.tick();
        return isSo();
      },
      { timeout: 30_000, interval: 100 },
    )
    .toBe(true);
}

describe("another place that the programme is sent to", () => {
  it("gets picture and sound over RTMP while the doors are open, and is told to nobody without its key", async () => {
    await add();
    const keeper = new OutletKeeper(world.context);
    try {
      // the doors are closed: nothing is sent
      await keeper.tick();
      expect(await lines()).toMatchObject([{ name: "Shore radio", isOn: true, state: "waits" }]);
      await opened();
      await until(keeper, () => (receiver.streams.at(-1)?.pictures ?? 0) > 15);
      const stream = receiver.streams.at(-1)!;
      expect(stream).toMatchObject({ key, hasConfiguration: true });
      await until(keeper, () => stream.sounds > 15 && stream.lastAtMs > 500);
      await until(keeper, async () => (await lines())[0]!.state === "sends");
      // no command line that other programs of the machine can read holds it
      expect(commandLines().filter((line) => line.includes(`:${receiverPort}/stage`))).toHaveLength(1);
      expect(commandLines().filter((line) => line.includes(key))).toEqual([]);
      // the row holds no key that could be read
      expect(JSON.stringify(await world.context.db.select().from(outlets))).not.toContain(key);
      // turned off, it ends within one look
      const [line] = await lines();
      await switchOutlet(world.context, world.owner, event.eventId, line!.id, false);
      await until(keeper, () => stream.isOver);
      expect(await lines()).toMatchObject([{ isOn: false, state: "waits" }]);
    } finally {
      await keeper.close();
    }
  });

  it("that does not take it is tried again later and later, and found when it is there again", async () => {
    await add({ key: "a wrong one".replaceAll(" ", "-") });
    await opened();
    const keeper = new OutletKeeper(world.context);
    try {
      await until(keeper, async () => (await lines())[0]!.state === "refused");
      const row = async () => (await world.context.db.select().from(outlets))[0]!;
      expect(await row()).toMatchObject({ failures: 1, nextTryAt: startOfTime + outletRetryMs(1) });
      await keeper.tick();
      expect((await row()).failures).toBe(1);
      await world.context.db.update(outlets).set({ keySealed: world.context.secrets.seal(key) });
      world.clock.advance(outletRetryMs(1));
      // time goes on: on a crowded machine a try may come to nothing, and another follows
      const state = async () => (world.clock.advance(500), (await lines())[0]!.state);
      await until(keeper, async () => (await state()) === "sends");
      expect((await row()).failures).toBe(0);
    } finally {
      await keeper.close();
    }
  });

  it("is sent to by one process at a time; another goes on where it is gone", async () => {
    await add();
    await opened();
    const ids = async (holder: string) => (await holdOutlets(world.context, holder)).map((one) => one.occurrenceId);
    expect(await ids("one")).toEqual([event.occurrenceId]);
    expect(await ids("two")).toEqual([]);
    world.clock.advance(outletLeaseMs - 1000);
    expect(await ids("one")).toHaveLength(1);
    world.clock.advance(outletLeaseMs + 1);
    expect(await ids("two")).toEqual([event.occurrenceId]);
    expect(await ids("one")).toEqual([]);
  });

  it("gets no rehearsal, and nothing of an event in the bin", async () => {
    await add();
    await opened();
    await world.context.db.update(occurrences).set({ kind: "rehearsal" });
    expect(await holdOutlets(world.context, "one")).toEqual([]);
    await world.context.db.update(occurrences).set({ kind: "show" });
    await world.context.db.update(events).set({ deletedAt: startOfTime }).where(eq(events.id, event.eventId));
    expect(await holdOutlets(world.context, "one")).toEqual([]);
  });

  it("without the program on the server, or inside somebody's own network, is said to be so", async () => {
    await add();
    await opened();
    const without = new OutletKeeper(world.context, "no-such-program");
    await until(without, async () => (await lines())[0]!.state === "unable");
    await without.close();
    const environment = { ...world.context.environment, STAGE_CALL_URL: "https://stage.example.org" };
    const outside = { ...world.context, environment };
    await world.context.db.update(outlets).set({ nextTryAt: null, holderId: null });
    // the programme of that house is not reached from here, so that nothing is begun
    const keeper = new OutletKeeper(outside);
    await keeper.tick();
    await keeper.close();
    expect((await lines())[0]!.state).toBe("waits");
  });

  it("needs an address of such a service and a key; five at most; and goes with its event's team alone", async () => {
    for (const address of ["https://live.example.org/x", "rtmp://", "rtmp://me:it@live.example.org/x"])
      await expect(add({ address })).rejects.toMatchObject({
        failure: { code: "invalid-input", issues: [{ path: "address", code: "not-a-live-address" }] },
      });
    await expect(add({ key: "two words" })).rejects.toMatchObject({ failure: { issues: [{ path: "key" }] } });
    for (let i = 0; i < 5; i += 1) await add({ name: `Place ${i}` });
    await expect(add()).rejects.toMatchObject({ failure: { issues: [{ code: "too-many" }] } });
    const other = await makeEvent(world);
    const [line] = await lines();
    await expect(removeOutlet(world.context, world.owner, other.eventId, line!.id)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    await removeOutlet(world.context, world.owner, event.eventId, line!.id);
    expect(await lines()).toHaveLength(4);
  });
});

it("a process that is killed takes what it sends with along", async () => {
  // a time to sleep that nothing else on this machine sleeps
  const program = `sleep ${3600 + process.pid / 1e6}`;
  const [command, ...args] = program.split(" ");
  const ports = `{ command: "${command}", args: ${JSON.stringify(args)}, secrets: "", sends() {}, ended() {} }`;
  const source = `import { runSender } from "@/server/outlets/sender"; runSender(${ports});`;
  const own = spawn("node", ["--import", "tsx", "--input-type=module", "--eval", source], { stdio: "inherit" });
  const isThere = () => commandLines().some((line) => line.startsWith(program));
  await expect.poll(isThere, { timeout: 20_000 }).toBe(true);
  own.kill("SIGKILL");
  await expect.poll(isThere, { timeout: 20_000 }).toBe(false);
});
