import { randomUUID } from "node:crypto";
import { pictureOf, type InkAct, type Mark } from "../src/core/room";
import { mainRoomOf } from "../src/server/db/queries/journal";
import { layMarks } from "../src/server/room";
import { makeContext } from "../src/server/worker";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { record, spread } from "./figures";
import { comeAll, pause } from "./house";
import { makeDate, origin } from "./live";

const strokes = 5000;
const drawers = 10;
const screens = 200;
const seconds = 10;
const eachSecond = 10;

/** A stroke of a hand: sixty points. */
const stroke = (seed: number): Mark => ({
  tool: "pen",
  colour: "blue",
  width: 45,
  points: Array.from({ length: 60 }, (_, i) => [
    (seed * 137 + i * 40) % 10_000,
    Math.round(5000 + 3000 * Math.sin(seed + i / 9)),
  ]).flat(),
  text: "",
});

const headers = ({ ticketId, token }: { ticketId: string; token: string }) => ({
  cookie: `sc-${ticketId}=${token}`,
});

/**
 * A board of 5,000 strokes read whole and folded, beside the same bytes of a bare table read; and ten people who draw
 * ten strokes a second each: when each stroke is on each of 200 screens.
 */
export async function boardsBench(): Promise<void> {
  const date = await makeDate(screens + drawers);
  const producer = new SimulatedGuest(origin, date.producer);
  await producer.come();
  for (const type of ["stage.enter", "hour.open-doors", "hour.raise-curtain"] as const) await producer.send({ type });
  const boardId = randomUUID();
  await producer.send({ type: "board.make", title: "Tides" }, boardId);
  await producer.send({ type: "board.open", boardId, seen: null });
  await producer.send({ type: "board.let-draw", reach: "all", drawerIds: [] });
  const { context, close } = await makeContext(process.env);
  const room = (await mainRoomOf(context.db, date.occurrenceId))!;
  const at = { roomId: room.id, organisationId: room.organisationId, boardId, actorId: date.producer.ticketId };
  await layMarks(
    context.db,
    { ...at, now: Date.now() },
    Array.from({ length: strokes }, (_, i) => [randomUUID(), stroke(i)]),
  );
  const guests = date.attendees.map((member) => new SimulatedGuest(origin, member, false));
  await comeAll(guests);
  const url = `${origin}/live/${date.occurrenceId}/surface?id=${boardId}&page=0&as=${date.attendees[0]!.ticketId}`;
  const opened: number[] = [];
  const bare: number[] = [];
  for (let i = 0; i < 12; i += 1) {
    const from = performance.now();
    const { acts } = (await (await fetch(url, { headers: headers(date.attendees[0]!) })).json()) as { acts: InkAct[] };
    pictureOf(acts).standing();
    opened.push(performance.now() - from);
    const again = performance.now();
    await context.db.execute(`select body from ink_acts where surface_id = '${boardId}' order by n`);
    bare.push(performance.now() - again);
  }
  await close();
  record(
    { name: "board-5000-opens", n: strokes, ...spread(opened), cpu: null, bare: { ...spread(bare), cpu: null } },
    "at most 400 ms; bare: the table read alone",
  );

  await drawing(guests, boardId);
  for (const guest of [...guests, producer]) guest.leave();
}

/** Ten people draw at once; when each stroke is on each screen. */
async function drawing(guests: readonly SimulatedGuest[], boardId: string): Promise<void> {
  const sent = new Map<string, number>();
  const took: number[] = [];
  for (const guest of guests)
    guest.onMessage = (event, data) => {
      if (event !== "lines" || !data.includes('"board:shown"')) return;
      const { rows } = JSON.parse(data) as { rows: { id: string }[] };
      for (const { id } of rows) {
        const from = sent.get(id);
        if (from !== undefined) took.push(performance.now() - from);
      }
    };
  await pause(1500);
  await Promise.all(
    guests.slice(0, drawers).map(async (guest, i) => {
      for (let n = 0; n < seconds * eachSecond; n += 1) {
        const id = randomUUID();
        sent.set(id, performance.now());
        const body = { do: "draw", mark: stroke(i * 1000 + n), continues: null } as const;
        void guest.send({ type: "board.draw", surface: { id: boardId, page: 0 }, body }, id);
        await pause(1000 / eachSecond);
      }
    }),
  );
  await pause(2000);
  const wanted = drawers * seconds * eachSecond * (screens + drawers);
  console.log(`ten people drawing: ${took.length} of ${wanted} strokes arrived`);
  record(
    { name: "board-ten-drawing", n: took.length, ...spread(took), cpu: null, bare: null },
    "99th at most 400 ms on all screens",
  );
}
