import { randomUUID } from "node:crypto";
import { createReadStream } from "node:fs";
import { appendFile, mkdir, open, readFile, rename, rm, stat, statfs } from "node:fs/promises";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pourFile } from "./pour";
import { plainName, type Storage } from "./storage";
import { writeWhole } from "./write-whole";

/** Files in one folder on this machine. What is being written has a name of its own until it is whole. */
export function folderStorage(folder: string): Storage {
  const pathOf = (name: string) => join(folder, plainName(name));
  const partOf = async (name: string) => {
    await mkdir(folder, { recursive: true });
    return `${pathOf(name)}.${randomUUID()}.part`;
  };
  return {
    async write(name, body, limits) {
      const part = await partOf(name);
      const size = await writeWhole(part, body, limits);
      await rename(part, pathOf(name));
      return size;
    },
    async read(name, range) {
      const stream = createReadStream(pathOf(name), range ? { start: range.start, end: range.end } : {});
      return Readable.toWeb(stream) as ReadableStream<Uint8Array>;
    },
    pour: (name, range, to) => pourFile(pathOf(name), range, to),
    async head(name, bytes) {
      const file = await open(pathOf(name));
      try {
        const { buffer, bytesRead } = await file.read(Buffer.alloc(bytes), 0, bytes, 0);
        return buffer.subarray(0, bytesRead);
      } finally {
        await file.close();
      }
    },
    size: async (name) => (await stat(pathOf(name))).size,
    withPaths: (names, read) => read(names.map(pathOf)),
    async make(name, make) {
      const part = await partOf(name);
      try {
        const made = await make(part);
        await rename(part, pathOf(name));
        return made;
      } finally {
        await rm(part, { force: true });
      }
    },
    async freeBytes() {
      await mkdir(folder, { recursive: true });
      const { bavail, bsize } = await statfs(folder);
      return bavail * bsize;
    },
    async append(name, line) {
      await mkdir(folder, { recursive: true });
      await appendFile(pathOf(name), `${line}\n`);
    },
    async lines(name) {
      const text = await readFile(pathOf(name), "utf8").catch(() => "");
      return text.split("\n").filter((line) => line !== "");
    },
    remove: (name) => rm(pathOf(name), { force: true }),
  };
}
