import { Refusal } from "@/core/shared";
import { app } from "@/server/compose";
import { captionsText } from "@/server/services/afterwards/caption-files";
import { servedOf } from "@/server/services/afterwards/own-recording";
import { vttResponse } from "../../../../_lib/files";
import { answer } from "../../../../_lib/request";
import { openWithChapters } from "../asked";

const captionsName = /^captions\.([A-Za-z0-9-]{2,20})\.vtt$/;

/** Captions of a recording in one language, on its own clock: `captions.{lang}.vtt`. */
export function GET(
  request: Request,
  { params }: { params: Promise<{ slug: string; captions: string }> },
): Promise<Response> {
  return answer(async () => {
    const { slug, captions } = await params;
    const [, language] = captionsName.exec(captions) ?? [];
    if (!language) throw new Refusal({ code: "not-found", what: "file" });
    const { recording, recordedAt, originalSeconds } = await openWithChapters(slug, request);
    const { context } = await app();
    const { kept } = servedOf(recording);
    const within = { startAt: recordedAt, durationMs: originalSeconds * 1000, spans: recording.spans, kept };
    return vttResponse(await captionsText(context, recording.occurrenceId, language, within), captions);
  });
}
