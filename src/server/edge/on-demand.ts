import { soundOf } from "../services/afterwards/make-sounds";
import { fileTag, servedOf } from "../services/afterwards/own-recording";
import { recordingNamed, seenBy } from "../services/afterwards/recordings";
import { notFound } from "../services/ground/context";
import { organisationFor } from "../services/way-in/front-door";
import { heldAmong } from "../services/way-in/held-tokens";
import { passCookie } from "../services/way-in/pass-cookie";
import type { Ask } from "./ask";
import { cookiesOf } from "./request";
import { sendFile } from "./send-file";

/** The recording that a browser sees, by the codes and tickets that it holds, or the ticket that a mail's link brought. */
async function seenRecording({ app, request, occurrenceId, query }: Ask, isFresh: boolean) {
  const { context } = app;
  const [host, slug] = [request.headers.host ?? "", query.get("slug") ?? ""];
  const key = `${host} ${slug}`;
  if (isFresh) app.recordings.forget(key);
  const found = await app.recordings.get(key, async () =>
    recordingNamed(context, (await organisationFor(context.db, host)).id, slug),
  );
  const cookies = cookiesOf(request);
  const ticket = query.get("ticket");
  const shown = await seenBy(context, found, {
    proofOf: (of) => cookies.get(passCookie(of)) ?? null,
    tokens: [...(ticket ? [ticket] : []), ...heldAmong(cookies)],
  });
  if (shown.isLocked || shown.occurrence.id !== occurrenceId) throw notFound("recording");
  return shown.recording;
}

/** The file that is asked for, where it is still the one that is watched. */
async function askedFile(ask: Ask, isFresh: boolean) {
  const recording = await seenRecording(ask, isFresh);
  const { mediaType } = recording;
  const file = ask.query.has("sound") ? soundOf(recording) : servedOf(recording);
  const tag = ask.query.get("file");
  if (!file || (tag !== null && tag !== fileTag(file.fileName))) return null;
  return { ...file, mediaType: ask.query.has("sound") ? "audio/mp4" : mediaType };
}

/**
 * A published recording's bytes, looked at anew every second: one that was taken off is nothing from then on, and of
 * one that was replaced or cut meanwhile nothing is given to whoever has begun with the file before.
 */
export async function sendOnDemand(ask: Ask): Promise<void> {
  // a page may know of a newer file than this process looked at a moment ago
  const file = (await askedFile(ask, false)) ?? (await askedFile(ask, true));
  if (!file) throw notFound("recording");
  await sendFile(ask, { ...file, cache: "private, max-age=300" });
}
