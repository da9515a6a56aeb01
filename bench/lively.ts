import { SimulatedGuest } from "../src/stand-ins/crowd";
import { residentMb } from "./chat";
import { record, spread } from "./figures";
import { comeAll, pause } from "./house";
import { makeDate, origin, serverPid } from "./live";

const seconds = 60;
const linesEachSecond = 50;
const signals = ["applause", "laughter", "yes", "no", "too-fast"] as const;

/**
 * 2,000 people of whom 40 % raise and lower a hand and signal within a minute, beside 50 lines a second: what the
 * desk's acts and the house's screens cost meanwhile, and whether memory stays.
 */
export async function livelyBench(): Promise<void> {
  const date = await makeDate(2000);
  const producer = new SimulatedGuest(origin, date.producer);
  await producer.come();
  for (const type of ["stage.enter", "hour.open-doors", "hour.raise-curtain"] as const) await producer.send({ type });
  const guests = date.attendees.map((member) => new SimulatedGuest(origin, member, false));
  let sentAt = 0;
  const screens: number[] = [];
  for (const guest of guests)
    guest.onMessage = (event, data) => {
      // what an act changes carries the status of the hour
      if (sentAt > 0 && event === "change" && data.includes('["status"')) screens.push(performance.now() - sentAt);
    };
  await comeAll(guests);
  await pause(3000);
  const memory = [residentMb(serverPid)];
  let [done, refused] = [0, 0];
  const count = ({ ok }: { ok: boolean }) => (ok ? (done += 1) : (refused += 1));
  const lively = guests.slice(0, 800).map(async (guest, i) => {
    await pause((i / 800) * (seconds - 10) * 1000);
    count(await guest.send({ type: "floor.raise-hand" }));
    count(await guest.send({ type: "signals.give", kind: signals[i % signals.length]! }));
    await pause(5000);
    count(await guest.send({ type: "floor.lower-hand" }));
  });
  const chat = Array.from({ length: seconds * linesEachSecond }, async (_, i) => {
    await pause((i / linesEachSecond) * 1000);
    const line = { type: "chat.say", to: "all", withId: null, text: `Line ${i}` } as const;
    count(await guests[800 + (i % 1200)]!.send(line));
  });
  const acts: number[] = [];
  for (let i = 0; i < seconds / 2; i += 1) {
    await pause(1500);
    sentAt = performance.now();
    await producer.send({ type: i % 2 === 0 ? "hour.drop-curtain" : "hour.raise-curtain" });
    acts.push(performance.now() - sentAt);
    await pause(500);
    if (i % 10 === 9) memory.push(residentMb(serverPid));
  }
  await Promise.all([...lively, ...chat]);
  for (const guest of [...guests, producer]) guest.leave();
  console.log(
    `lively house: ${done} acts of the audience accepted, ${refused} refused; memory ${memory.join(", ")} MB`,
  );
  record({ name: "lively-desk-act", n: acts.length, ...spread(acts), cpu: null, bare: null }, "median at most 150 ms");
  record(
    { name: "lively-screens", n: screens.length, ...spread(screens), cpu: null, bare: null },
    "99th at most 500 ms",
  );
}
