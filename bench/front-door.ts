import { gzipSync } from "node:zlib";
import { show } from "./figures";

const origin = process.env["STAGE_CALL_URL"]!;

async function scriptBytes(path: string): Promise<{ total: number; names: Map<string, number> }> {
  const html = await (await fetch(`${origin}${path}`)).text();
  const names = new Map<string, number>();
  for (const [, src] of html.matchAll(/<script[^>]+src="([^"]+)"/g)) {
    const body = Buffer.from(await (await fetch(`${origin}${src}`)).arrayBuffer());
    names.set(src!, gzipSync(body).length);
  }
  return { total: [...names.values()].reduce((sum, one) => sum + one, 0), names };
}

/** The public event page: its own JavaScript above the framework's empty page, and 50 requests a second. */
export async function frontDoorBench(): Promise<void> {
  const list = await (await fetch(origin)).text();
  const path = /href="(\/front\/[^"]+)"/.exec(list)![1]!;
  const [page, empty] = [await scriptBytes(path), await scriptBytes("/front/nothing-here")];
  console.log(
    `public event page: ${(page.total / 1000).toFixed(1)} kB compressed JavaScript, ${((page.total - empty.total) / 1000).toFixed(1)} kB above the empty page (aim 45)`,
  );
  for (let i = 0; i < 60; i += 1) await (await fetch(`${origin}${path}`)).text();
  const times: number[] = [];
  const running: Promise<void>[] = [];
  for (let i = 0; i < 500; i += 1) {
    running.push(
      (async () => {
        const from = performance.now();
        await (await fetch(`${origin}${path}`)).text();
        times.push(performance.now() - from);
      })(),
    );
    await new Promise((done) => setTimeout(done, 20));
  }
  await Promise.all(running);
  show("public event page at 50 requests/s, warm", times, "40 / 250 ms");
}
