import { GetObjectCommand, S3Client } from "@aws-sdk/client-s3";
import { Disk } from "flydrive";
import { S3Driver } from "flydrive/drivers/s3";
import { randomUUID } from "node:crypto";
import { createReadStream, createWriteStream } from "node:fs";
import { mkdir, mkdtemp, rm, stat } from "node:fs/promises";
import { join } from "node:path";
import type { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { inGroups } from "./in-groups";
import type { ObjectStore } from "../platform/store-address";
import { plainName, type Storage } from "./storage";
import { writeWhole } from "./write-whole";

/** So many copies are fetched at once. */
const fetchedTogether = 16;

function clientOf({ endpoint, region, keyId, secret }: ObjectStore): S3Client {
  return new S3Client({
    endpoint,
    region,
    credentials: { accessKeyId: keyId, secretAccessKey: secret },
    forcePathStyle: true,
    // stores that are not the first one know no checksums behind a body
    requestChecksumCalculation: "WHEN_REQUIRED",
    responseChecksumValidation: "WHEN_REQUIRED",
  });
}

async function bodyOf(client: S3Client, bucket: string, name: string, range: { start: number; end: number } | null) {
  const Range = range ? `bytes=${range.start}-${range.end}` : undefined;
  const command = new GetObjectCommand({ Bucket: bucket, Key: plainName(name), ...(Range ? { Range } : {}) });
  return (await client.send(command)).Body!;
}

async function keysBelow(disk: Disk, prefix: string): Promise<readonly string[]> {
  const keys: string[] = [];
  let paginationToken: string | undefined;
  do {
    const page = await disk.listAll(prefix, { recursive: true, ...(paginationToken ? { paginationToken } : {}) });
    for (const one of page.objects) if (one.isFile) keys.push(one.key);
    paginationToken = page.paginationToken;
  } while (paginationToken);
  return keys;
}

/** Files in an object store. What has to be read or written by its path lies in a scratch folder meanwhile. */
export function objectStorage(store: ObjectStore, scratchFolder: string): Storage {
  const client = clientOf(store);
  const disk = new Disk(new S3Driver({ client, bucket: store.bucket, visibility: "private", supportsACL: false }));
  const scratch = async <T>(work: (folder: string) => Promise<T>): Promise<T> => {
    await mkdir(scratchFolder, { recursive: true });
    const own = await mkdtemp(join(scratchFolder, "at-work-"));
    try {
      return await work(own);
    } finally {
      await rm(own, { recursive: true, force: true });
    }
  };
  const putFile = async (name: string, path: string): Promise<number> => {
    const { size } = await stat(path);
    await disk.putStream(plainName(name), createReadStream(path), { contentLength: size });
    return size;
  };
  const read: Storage["read"] = async (name, range) =>
    (await bodyOf(client, store.bucket, name, range)).transformToWebStream() as ReadableStream<Uint8Array>;
  const fetchTo = async (name: string, path: string): Promise<string> => {
    await pipeline(await disk.getStream(plainName(name)), createWriteStream(path));
    return path;
  };
  return {
    read,
    // whoever reads may go away in the middle
    pour: async (name, range, to) =>
      pipeline((await bodyOf(client, store.bucket, name, range)) as Readable, to).catch(() => {}),
    write: (name, body, limits) =>
      scratch(async (folder) => {
        const path = join(folder, "arriving");
        const size = await writeWhole(path, body, limits);
        await putFile(name, path);
        return size;
      }),
    head: async (name, bytes) => {
      const stream = await read(name, { start: 0, end: bytes - 1 });
      return new Uint8Array(await new Response(stream).arrayBuffer());
    },
    size: async (name) => (await disk.getMetaData(plainName(name))).contentLength,
    withPaths: (names, readAll) =>
      scratch(async (folder) =>
        readAll(await inGroups(names, fetchedTogether, (name, i) => fetchTo(name, join(folder, String(i))))),
      ),
    make: (name, make) =>
      scratch(async (folder) => {
        const path = join(folder, "made");
        const made = await make(path);
        await putFile(name, path);
        return made;
      }),
    freeBytes: () => Promise.resolve(null),
    remove: (name) => disk.delete(plainName(name)),
    // an object cannot grow: each line is one of its own
    append: (name, line) => disk.put(`${plainName(name)}/${randomUUID()}`, line),
    lines: async (name) =>
      inGroups(await keysBelow(disk, `${plainName(name)}/`), fetchedTogether, (key) => disk.get(key)),
  };
}
