import { serve } from "../scripts/lib/run.mjs";
import { spawn } from "node:child_process";
import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { deckPages, decks } from "../src/server/db/schema";
import { deckFile, pictureFile } from "../src/server/services/hour/decks";
import { makeContext } from "../src/server/worker";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import type { BusyDate } from "../tests/support/busy-date";
import { deckOf } from "../tests/support/pdf";
import { record, spread } from "./figures";
import { actsInTurn, bareHouse, comeAll, House, pause } from "./house";
import { makeDate, origin, serverPid } from "./live";

type Tools = Awaited<ReturnType<typeof makeContext>>;
const pages = 60;
const turns = 20;

async function openBy(date: BusyDate): Promise<SimulatedGuest> {
  const producer = new SimulatedGuest(origin, date.producer);
  await producer.come();
  for (const type of ["stage.enter", "hour.open-doors", "hour.raise-curtain"] as const) await producer.send({ type });
  return producer;
}

/** A deck whose file is there and whose pages wait to be made. */
async function layDeck({ context }: Tools, date: BusyDate): Promise<string> {
  const id = randomUUID();
  const file = await deckOf(Array.from({ length: pages }, (_, i) => ({ text: `Page ${i + 1} of the count` })));
  await context.storage.write(deckFile(id), new Blob([file]).stream(), {
    maxBytes: file.length,
    expectedBytes: file.length,
  });
  const of = { organisationId: date.organisationId, occurrenceId: date.occurrenceId };
  await context.db
    .insert(decks)
    .values({ id, ...of, title: "Tides", language: "en", sizeBytes: file.length, createdAt: Date.now() });
  return id;
}

/** A working process of its own makes the pages; the desk goes on meanwhile in the live one. */
async function deckBesideRoom(tools: Tools, producer: SimulatedGuest, deckId: string): Promise<void> {
  const { context } = tools;
  const work = spawn("node", serve, {
    env: { ...process.env, STAGE_CALL_PART: "work", PORT: "0" },
    stdio: ["ignore", "ignore", "inherit"],
  });
  const from = performance.now();
  await context.queue.enqueue("make-decks", context.db);
  const acts: number[] = [];
  let isReady = false;
  while (!isReady && performance.now() - from < 60_000) {
    const at = performance.now();
    await producer.send({ type: "stage.set-microphone", isOpen: acts.length % 2 === 0 });
    acts.push(performance.now() - at);
    await pause(100);
    const [deck] = await context.db.select({ state: decks.state }).from(decks).where(eq(decks.id, deckId));
    isReady = deck?.state === "ready";
  }
  const wholeMs = performance.now() - from;
  work.kill();
  record(
    { name: "desk-beside-deck", n: acts.length, ...spread(acts), cpu: null, bare: null },
    `median at most 150 ms while 60 pages are made; they took ${(wholeMs / 1000).toFixed(1)} s with the start of the process (aim 20)`,
  );
}

/** A page's bytes over a line of 400 kbit/s, as long as they take there: the picture of a phone's width. */
async function firstPage({ context }: Tools, deckId: string): Promise<void> {
  const bytesEachMs = 400 / 8;
  const own = await context.db.select({ id: deckPages.id }).from(deckPages).where(eq(deckPages.deckId, deckId));
  const times: number[] = [];
  for (const { id } of own) {
    const from = performance.now();
    let bytes = 0;
    for await (const part of await context.storage.read(pictureFile(id, 800), null)) {
      bytes += part.length;
      await pause(Math.max(0, bytes / bytesEachMs - (performance.now() - from)));
    }
    times.push(performance.now() - from);
  }
  record(
    { name: "page-at-400-kbit", n: times.length, ...spread(times), cpu: null, bare: null },
    "a page's picture at most 2,500 ms, the room's own page apart",
  );
}

/** A page turned before a house of 2,000, beside the bare broadcaster with as many bytes. */
async function pageTurns(date: BusyDate, producer: SimulatedGuest, deckId: string): Promise<void> {
  const isActs = (event: string, data: string) => event === "change" && data.includes('["slides"');
  const house = new House({ pid: serverPid, origin, members: date.attendees, isActs });
  await house.come();
  const bare = await bareHouse(date.attendees, 4000);
  await bare.house.come();
  let page = 1;
  await producer.send({ type: "slides.show", deckId, page, seen: null });
  await pause(4000);
  const act = () => {
    page += 1;
    return producer.send({ type: "slides.show", deckId, page, seen: { deckId, page: page - 1 } });
  };
  const done = await actsInTurn(turns, { house, act }, { bare });
  house.leave();
  await bare.close();
  record({ name: "page-turn-2000", ...done.own, bare: done.bare }, "median and 99th at most the bare broadcaster's");
}

/** Slides of the hour: made beside a live room, turned before a full house, read over a thin line. */
export async function slidesBench(): Promise<void> {
  const tools = await makeContext(process.env);
  const date = await makeDate(2000);
  const producer = await openBy(date);
  const deckId = await layDeck(tools, date);
  await deckBesideRoom(tools, producer, deckId);
  await firstPage(tools, deckId);
  await pageTurns(date, producer, deckId);
  producer.leave();
  await tools.close();
}

/** 200 people in 20 side rooms: when all are in theirs, and when a line is on the screens of its own room alone. */
export async function sideRoomsBench(): Promise<void> {
  const [people, rooms, lines] = [200, 20, 5];
  const date = await makeDate(people);
  const producer = await openBy(date);
  const guests = date.attendees.map((member) => new SimulatedGuest(origin, member, false));
  await comeAll(guests);
  await pause(1000);
  const names = Array.from({ length: rooms }, (_, i) => `Room ${i + 1}`);
  const [inside, heard, foreign]: [number[], number[], string[]] = [[], [], []];
  let [openedAt, isOpening] = [0, false];
  const saidAt = new Map<string, number>();
  guests.forEach((guest, i) => {
    const own = `from ${(i % rooms) + 1};`;
    guest.onMessage = (event, data) => {
      if (event === "change" && isOpening && data.includes('["sides"')) inside.push(performance.now() - openedAt);
      const said = event === "lines" && /from \d+; line \d+/.exec(data)?.[0];
      if (!said) return;
      if (said.startsWith(own)) heard.push(performance.now() - saidAt.get(said)!);
      else foreign.push(said);
    };
  });
  await producer.send({ type: "sideRooms.make", count: rooms, names });
  await producer.send({
    type: "sideRooms.place",
    places: date.attendees.map(({ ticketId }, i) => [ticketId, (i % rooms) + 1] as [string, number]),
  });
  await pause(1000);
  [openedAt, isOpening] = [performance.now(), true];
  await producer.send({ type: "sideRooms.open", inSeconds: 0 });
  await pause(4000);
  isOpening = false;
  record(
    { name: "side-rooms-open", n: inside.length, ...spread(inside), cpu: null, bare: null },
    "200 people in 20 rooms hear that they are open",
  );
  for (let line = 0; line < lines; line += 1) {
    for (let room = 1; room <= rooms; room += 1) {
      const text = `from ${room}; line ${line}`;
      saidAt.set(text, performance.now());
      void guests[room - 1]!.send({ type: "chat.say", to: "side", withId: null, text });
      await pause(50);
    }
    await pause(1000);
  }
  await pause(2000);
  record(
    { name: "side-rooms-chat", n: heard.length, ...spread(heard), cpu: null, bare: null },
    `each of ${(people / rooms) * rooms * lines} on the screens of its room; in another: ${foreign.length} (aim 0)`,
  );
  for (const guest of [...guests, producer]) guest.leave();
}
