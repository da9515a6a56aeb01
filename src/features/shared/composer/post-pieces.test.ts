import { afterEach, describe, expect, it, vi } from "vitest";
import { PostPieces } from "./post-pieces";

const piece = (n: number, isInit = false, isHolding = false) => ({ bytes: new Uint8Array([n]), isInit, isHolding });
/** A server that answers as told, and what it was sent in which order. */
function server(answer: (n: number) => Response | Promise<Response>) {
  const got: number[][] = [];
  vi.stubGlobal("fetch", async (_url: string, { body }: { body: Blob }) => {
    const all = [...new Uint8Array(await body.arrayBuffer())];
    got.push(all);
    return answer(all[0]!);
  });
  return got;
}
afterEach(() => vi.unstubAllGlobals());

describe("pieces on their way", () => {
  it("go one after the other, in their order; those that had to wait three by three", async () => {
    let open = 0;
    let most = 0;
    const got = server(async () => {
      most = Math.max(most, (open += 1));
      await new Promise((done) => setTimeout(done, 1));
      open -= 1;
      return new Response("{}");
    });
    const post = new PostPieces("/pieces?x=1", () => {});
    [1, 2, 3, 4, 5].forEach((n) => post.push(piece(n)));
    await vi.waitFor(() => expect([got, most, post.sentBytes]).toEqual([[[1], [2, 3, 4], [5]], 1, 5]));
  });
  it("never go together where they say other things of the curtain, or where another init reads them", async () => {
    const got = server(() => new Response("{}"));
    const post = new PostPieces("/pieces?x=1", () => {});
    for (const one of [
      piece(0, true),
      piece(1),
      piece(2),
      piece(3, false, true),
      piece(4, true),
      piece(5, false, true),
    ])
      post.push(one);
    await vi.waitFor(() => expect(got).toEqual([[0], [1, 2], [3], [4], [5]]));
  });
  it("stop where somebody else makes the picture by now", async () => {
    const got = server((n) => new Response("{}", { status: n === 2 ? 409 : 200 }));
    const lost = vi.fn();
    const post = new PostPieces("/pieces?x=1", lost);
    [1, 2, 3].forEach((n) => post.push(piece(n)));
    await vi.waitFor(() => expect(lost).toHaveBeenCalledTimes(1));
    post.push(piece(4));
    expect([got, post.waitingCount]).toEqual([[[1], [2, 3]], 0]);
  });
  it("too many that wait lose the oldest, never what reads them", async () => {
    server(() => new Promise<Response>(() => {}));
    const post = new PostPieces("/pieces?x=1", () => {});
    post.push(piece(0));
    post.push(piece(1, true));
    for (let n = 2; n < 20; n += 1) post.push(piece(n));
    expect(post.waitingCount).toBe(12);
    const kept = (post as unknown as { waiting: { isInit: boolean; bytes: Uint8Array }[] }).waiting;
    expect(kept.map(({ bytes }) => bytes[0])).toEqual([1, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19]);
  });
});
