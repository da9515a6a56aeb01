// What bare-broadcaster.mjs does, with the live edge's own pieces: the frame that is made once, the followers, the wire
// that heads and bytes leave by. No rooms, no rights, no database: a message and its streams alone.
import { createServer } from "node:http";
import { StreamWire } from "../src/server/edge/stream";
import { Follower } from "../src/server/live/follower";
import { framed } from "../src/server/live/frame";

const open = new Set<Follower>();
const noStanding = {} as Follower["standing"];
/** One event of an event stream that carries so many bytes. */
const event = (name: string, bytes: number) => `event: ${name}\ndata: ${"x".repeat(Math.max(1, bytes))}\n\n`;
const first = `event: follow\ndata: {"connectionId":"own"}\n\n${event("snapshot", Number(process.env["FIRST_BYTES"]))}`;

const server = createServer((request, response) => {
  const url = new URL(request.url!, "http://own");
  if (url.pathname === "/say") {
    const bytes = framed(event("change", Number(url.searchParams.get("bytes"))));
    for (const one of open) one.write(bytes);
    return void response.end("{}");
  }
  if (request.method === "POST") return void request.resume().on("end", () => response.end("{}"));
  const wire = new StreamWire(request.socket, Date.now);
  const follower = new Follower("own", url.searchParams.get("as")!, false, noStanding, wire, () => undefined);
  follower.begin(first);
  open.add(follower);
  response.on("close", () => open.delete(follower));
});
server.listen(Number(process.env["PORT"]), "127.0.0.1", 4096, () => console.log("ready"));
