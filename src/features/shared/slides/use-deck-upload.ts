"use client";
import { useRef, useState } from "react";
import type { DetailedError, Upload } from "tus-js-client";
import { mostDeckBytes } from "@/contracts";

export interface DeckAbout {
  readonly occurrenceId: string;
  /** of somebody of the stage, who sends by their link; null: the team's sign-in */
  readonly token: string | null;
  readonly title: string;
  readonly language: string;
  readonly versionOfId: string | null;
}
/** Why an upload ended without a deck. */
export type DeckFault = "notPdf" | "tooLarge" | "cut" | { readonly words: string };

const pieceBytes = 4_000_000;
const retryAfterMs = [0, 1000, 3000, 5000, 10_000];

export function faultOf(error: Error | DetailedError): DeckFault {
  const body = "originalResponse" in error ? error.originalResponse?.getBody() : undefined;
  if (!body) return "cut";
  try {
    const { failure, words } = JSON.parse(body) as { failure: { code: string; reason?: string }; words: string };
    if (failure.reason === "not-a-pdf") return "notPdf";
    return failure.code === "file-too-large" ? "tooLarge" : { words };
  } catch {
    return "cut";
  }
}

/** Sends slides in pieces; what broke off goes on where it stopped when the same file is chosen again (tus 1.0.0). */
export function useDeckUpload(onDone: () => void) {
  const [progress, setProgress] = useState<{ readonly done: number; readonly all: number } | null>(null);
  const [fault, setFault] = useState<DeckFault | null>(null);
  const running = useRef<Upload | null>(null);
  const send = async (file: File, about: DeckAbout) => {
    setFault(null);
    if (file.size > mostDeckBytes) return setFault("tooLarge");
    setProgress({ done: 0, all: file.size });
    const { Upload } = await import("tus-js-client");
    const end = (why: DeckFault | null) => {
      setProgress(null);
      setFault(why);
      running.current = null;
      if (why === null) onDone();
    };
    const { token, versionOfId, ...rest } = about;
    const upload = new Upload(file, {
      endpoint: "/upload/slides",
      chunkSize: pieceBytes,
      retryDelays: retryAfterMs,
      removeFingerprintOnSuccess: true,
      metadata: { ...rest, ...(token ? { token } : {}), ...(versionOfId ? { versionOfId } : {}) },
      // what the server understood and refused is not asked again
      onShouldRetry: (error) => (error.originalResponse?.getStatus() ?? 0) < 400,
      onProgress: (done, all) => setProgress({ done, all }),
      onError: (error) => end(faultOf(error)),
      onSuccess: () => end(null),
    });
    running.current = upload;
    const [before] = await upload.findPreviousUploads();
    if (before) upload.resumeFromPreviousUpload(before);
    upload.start();
  };
  return { progress, fault, send };
}
