/** A picture under an address that stays while the picture may change: asked for anew after a minute. */
export const pictureResponse = (body: ReadableStream<Uint8Array>): Response =>
  new Response(body, {
    headers: {
      "content-type": "image/webp",
      "cache-control": "private, max-age=60",
      "x-content-type-options": "nosniff",
    },
  });
