import { setMaxListeners } from "node:events";
import { createServer, request, type ServerResponse } from "node:http";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { makeContext } from "../src/server/worker";
import { makeBusyDate } from "../tests/support/busy-date";
import { show } from "./figures";

const origin = process.env["STAGE_CALL_URL"]!;
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

async function makeDate(attendees: number) {
  const { context, close } = await makeContext(process.env);
  const date = await makeBusyDate(context, attendees, { areAdmitted: true });
  await close();
  return date;
}

/** A bare broadcaster of the same bytes to as many listeners, in the same run. */
async function bareBench(listeners: number, bytes: number): Promise<void> {
  const open = new Set<ServerResponse>();
  const server = createServer((_request, response) => {
    response.writeHead(200, { "content-type": "text/event-stream" });
    response.flushHeaders();
    open.add(response);
  });
  await new Promise<void>((done) => server.listen(0, "127.0.0.1", done));
  const { port } = server.address() as { port: number };
  let sentAt = 0;
  const times: number[] = [];
  const stop = new AbortController();
  setMaxListeners(0, stop.signal);
  for (let i = 0; i < listeners; i += 1) {
    await new Promise<void>((done) => {
      const outgoing = request({ host: "127.0.0.1", port, agent: false }, (incoming) => {
        incoming.on("data", () => times.push(performance.now() - sentAt));
        incoming.on("error", () => {});
        done();
      });
      stop.signal.addEventListener("abort", () => outgoing.destroy());
      outgoing.on("error", () => {});
      outgoing.end();
    });
  }
  const payload = Buffer.from(`data: ${"x".repeat(Math.max(1, bytes - 8))}\n\n`);
  for (let round = 0; round < 20; round += 1) {
    sentAt = performance.now();
    for (const response of open) response.write(payload);
    await pause(400);
  }
  show(`bare broadcaster, ${listeners} listeners, ${bytes} bytes`, times, "beside it");
  stop.abort();
  server.closeAllConnections();
  server.close();
}

/** A desk act to all screens, then ballots from 500 while the desk goes on. */
export async function broadcastBench(listeners: number): Promise<void> {
  const date = await makeDate(listeners);
  const producer = new SimulatedGuest(origin, date.producer);
  await producer.come();
  await producer.send({ type: "stage.enter" });
  await producer.send({ type: "hour.open-doors" });
  let sentAt = 0;
  let bytes = 0;
  let times: number[] = [];
  const guests = date.attendees.map((member) => new SimulatedGuest(origin, member, false));
  for (const guest of guests) {
    guest.onMessage = (event, data) => {
      if (event !== "change" || !data.includes('["status"')) return;
      bytes = data.length;
      times.push(performance.now() - sentAt);
    };
  }
  for (let i = 0; i < guests.length; i += 25) await Promise.all(guests.slice(i, i + 25).map((guest) => guest.come()));
  await pause(3000);
  times = [];
  for (let round = 0; round < 20; round += 1) {
    sentAt = performance.now();
    await producer.send({ type: round % 2 === 0 ? "hour.raise-curtain" : "hour.drop-curtain" });
    await pause(700);
  }
  show(`desk act to all screens, ${listeners} attendees`, times, listeners === 500 ? "80 / 250 ms" : "200 / 500 ms");
  if (times.length !== 20 * listeners) console.log(`  ! ${times.length} of ${20 * listeners} messages arrived`);
  if (listeners === 500) await ballotBench(producer, guests, date.pollId);
  for (const guest of [...guests, producer]) guest.leave();
  await pause(1500);
  await bareBench(listeners, bytes);
}

async function ballotBench(producer: SimulatedGuest, guests: readonly SimulatedGuest[], pollId: string): Promise<void> {
  await producer.send({ type: "polls.open", pollId });
  const latencies: number[] = [];
  const from = performance.now();
  const cast = guests.map(async (guest, i) => {
    await pause((i / guests.length) * 4500);
    const at = performance.now();
    const answer = await guest.send({ type: "polls.vote", pollId, optionId: i % 4 === 0 ? "o2" : "o1" });
    latencies.push(performance.now() - at);
    return answer;
  });
  const desk: number[] = [];
  for (let i = 0; i < 20; i += 1) {
    const at = performance.now();
    await producer.send({ type: "stage.set-microphone", isOpen: i % 2 === 0 });
    desk.push(performance.now() - at);
    await pause(180);
  }
  const answers = await Promise.all(cast);
  const took = performance.now() - from;
  await pause(800);
  const { context, close } = await makeContext(process.env);
  const { rows } = await context.db.execute(
    `select option_id, count(*)::int as n from ballots where poll_id = '${pollId}' group by 1 order by 1`,
  );
  await close();
  console.log(
    `500 ballots in ${(took / 1000).toFixed(1)} s: ${answers.filter((one) => one.ok).length} accepted, tally ${rows.map((row) => `${row["option_id"]} ${row["n"]}`).join(", ")} (right: o1 375, o2 125)`,
  );
  show("one ballot, answered", latencies, "beside it");
  show("desk answering meanwhile", desk, "100 ms median");
}
