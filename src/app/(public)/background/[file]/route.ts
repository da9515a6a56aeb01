import { readFile } from "node:fs/promises";
import { join } from "node:path";

const library = "node_modules/@mediapipe/selfie_segmentation";
const script = "text/javascript";
const data = "application/octet-stream";
/** What works on backgrounds in the visitor's own browser: these files, and no others. */
const files: Readonly<Record<string, { readonly path: string; readonly type: string }>> = {
  "worker.js": { path: "src/app/(public)/background/[file]/worker.js", type: script },
  "selfie_segmentation.js": { path: `${library}/selfie_segmentation.js`, type: script },
  "selfie_segmentation.binarypb": { path: `${library}/selfie_segmentation.binarypb`, type: data },
  "selfie_segmentation.tflite": { path: `${library}/selfie_segmentation.tflite`, type: data },
  "selfie_segmentation_landscape.tflite": { path: `${library}/selfie_segmentation_landscape.tflite`, type: data },
  ...Object.fromEntries(
    ["solution_simd_wasm_bin", "solution_wasm_bin"].flatMap((name) => [
      [`selfie_segmentation_${name}.js`, { path: `${library}/selfie_segmentation_${name}.js`, type: script }],
      [
        `selfie_segmentation_${name}.wasm`,
        { path: `${library}/selfie_segmentation_${name}.wasm`, type: "application/wasm" },
      ],
    ]),
  ),
};
/** A worker has a policy of its own: this one alone may compile WebAssembly, and speaks to nobody but this house. */
const policy = "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'";

export async function GET(_request: Request, { params }: { params: Promise<{ file: string }> }): Promise<Response> {
  const file = files[(await params).file];
  if (!file) return new Response(null, { status: 404 });
  const bytes = await readFile(join(/* turbopackIgnore: true */ process.cwd(), file.path));
  return new Response(new Uint8Array(bytes), {
    headers: {
      "content-type": file.type,
      "content-security-policy": policy,
      "cache-control": "public, max-age=3600",
      "x-content-type-options": "nosniff",
    },
  });
}
