// What the live edge is measured against: a Node server that writes one message to every open stream with
// `response.write`, and does nothing else. POST /say sends `?bytes=` of text to all.
import { createServer } from "node:http";

const open = new Set();
const server = createServer((request, response) => {
  const url = new URL(request.url, "http://bare");
  if (url.pathname === "/say") {
    const payload = Buffer.from(`data: ${"x".repeat(Math.max(1, Number(url.searchParams.get("bytes")) - 8))}\n\n`);
    for (const one of open) one.write(payload);
    return void response.end("{}");
  }
  response.writeHead(200, { "content-type": "text/event-stream" });
  response.write(`data: ${"x".repeat(Number(url.searchParams.get("first") ?? 1))}\n\n`);
  open.add(response);
  response.on("close", () => open.delete(response));
});
server.listen(Number(process.env.PORT), "127.0.0.1", 4096, () => console.log("ready"));
