import { readFileSync } from "node:fs";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { cpuOf, record, spread } from "./figures";
import { comeAll, pause } from "./house";
import { makeDate, origin, serverPid } from "./live";

/** The server's memory in use, in MB, as the kernel counts it. */
export const residentMb = (pid: number): number =>
  Number(/^VmRSS:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, "utf8"))![1]) / 1024;

/** 50 lines a second to 2,000 for ten minutes: none lost, and the server's memory flat. */
export async function longChatBench(): Promise<void> {
  const date = await makeDate(2000);
  const producer = new SimulatedGuest(origin, date.producer);
  await producer.come();
  await producer.send({ type: "stage.enter" });
  await producer.send({ type: "hour.open-doors" });
  const guests = date.attendees.map((member) => new SimulatedGuest(origin, member, false));
  await comeAll(guests);
  let [heard, accepted] = [0, 0];
  guests[1999]!.onMessage = (event, data) => {
    if (event === "lines" && data.includes('"chat:house"'))
      heard += (JSON.parse(data) as { rows: unknown[] }).rows.length;
  };
  const memory: number[] = [];
  const minutes = Number(process.env["LONG_CHAT_MINUTES"] ?? 10);
  for (let minute = 0; minute < minutes; minute += 1) {
    const startedAt = performance.now();
    const said: Promise<{ ok: boolean }>[] = [];
    for (let i = 0; i < 3000; i += 1) {
      const text = `line ${minute} ${i}`;
      said.push(guests[i % 1900]!.send({ type: "chat.say", to: "all", withId: null, text }));
      const dueMs = (i + 1) * 20 - (performance.now() - startedAt);
      if (dueMs > 1) await pause(dueMs);
    }
    accepted += (await Promise.all(said)).filter((one) => one.ok).length;
    memory.push(residentMb(serverPid));
  }
  await pause(2000);
  for (const guest of [...guests, producer]) guest.leave();
  console.log(
    `chat of ${minutes} minutes to 2,000: ${accepted} of ${minutes * 3000} accepted, ${heard} heard; memory after each minute ${memory.map((mb) => mb.toFixed(0)).join(", ")} MB`,
  );
}

/** 50 lines a second from many for 20 s to all: none lost, in order. */
export async function chatBench(guests: readonly SimulatedGuest[]): Promise<void> {
  const [writers, ears] = [guests.slice(0, 250), guests.slice(250, 260)];
  const heard = ears.map(() => [] as number[]);
  const sentAt = new Map<string, number>();
  const delays: number[] = [];
  ears.forEach((ear, i) => {
    ear.onMessage = (event, data) => {
      if (event !== "lines" || !data.includes('"chat:house"')) return;
      const { rows } = JSON.parse(data) as { rows: { seq: number; row: { text: string } | null }[] };
      for (const { seq, row } of rows) {
        heard[i]!.push(seq);
        const at = row && sentAt.get(row.text);
        if (at) delays.push(performance.now() - at);
      }
    };
  });
  const before = cpuOf(serverPid);
  const said: Promise<{ ok: boolean }>[] = [];
  for (let i = 0; i < 1000; i += 1) {
    const text = `line ${i}`;
    sentAt.set(text, performance.now());
    said.push(writers[i % writers.length]!.send({ type: "chat.say", to: "all", withId: null, text }));
    await pause(20);
  }
  const accepted = (await Promise.all(said)).filter((one) => one.ok).length;
  await pause(1500);
  const cpu = cpuOf(serverPid) - before;
  const isInOrder = heard.every((list) => list.every((seq, i) => i === 0 || seq === list[i - 1]! + 1));
  console.log(
    `chat: ${accepted} of 1000 accepted, heard ${heard.map((list) => list.length).join(" ")}, in order ${isInOrder}`,
  );
  record({ name: "chat-50-a-second", n: delays.length, ...spread(delays), cpu, bare: null }, "none lost, in order");
}
