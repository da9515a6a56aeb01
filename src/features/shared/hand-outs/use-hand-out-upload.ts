"use client";
import { useState } from "react";
import type { Done } from "@/contracts";

/** Sends a file for the audience and says how far it is. @param token of somebody of the stage; null: the team's sign-in */
export function useHandOutUpload(occurrenceId: string, token: string | null, cut: string) {
  const [progress, setProgress] = useState<{ readonly done: number; readonly all: number } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const send = (file: File): Promise<boolean> =>
    new Promise((done) => {
      setWrong(null);
      setProgress({ done: 0, all: file.size });
      const request = new XMLHttpRequest();
      const end = (why: string | null) => {
        setProgress(null);
        setWrong(why);
        done(why === null);
      };
      request.open("POST", `/upload/hand-out/${occurrenceId}?name=${encodeURIComponent(file.name)}`);
      if (token) request.setRequestHeader("x-own-link", token);
      request.responseType = "json";
      request.upload.onprogress = ({ loaded, total }) => setProgress({ done: loaded, all: total });
      request.onload = () => {
        const said = request.response as Done<unknown> | null;
        end(said?.ok ? null : (said?.words ?? cut));
      };
      request.onerror = () => end(cut);
      request.send(file);
    });
  return { progress, wrong, send };
}
