// What recordings are measured against: a Node server that sends one byte range of one file, and does nothing else.
import { createReadStream, statSync } from "node:fs";
import { createServer } from "node:http";
import { pipeline } from "node:stream";

const path = process.env.FILE;
const { size } = statSync(path);
createServer((request, response) => {
  const [, from, to] = /^bytes=(\d+)-(\d+)$/.exec(request.headers.range ?? "") ?? [null, "0", String(size - 1)];
  const [start, end] = [Number(from), Math.min(Number(to), size - 1)];
  response.writeHead(206, {
    "content-type": "video/mp4",
    "content-length": end - start + 1,
    "content-range": `bytes ${start}-${end}/${size}`,
  });
  pipeline(createReadStream(path, { start, end }), response, () => {});
}).listen(Number(process.env.PORT), "127.0.0.1", 4096, () => console.log("ready"));
