import { useState } from "react";

export interface Sent {
  readonly sent: number;
  readonly total: number;
}

/** Sends a file as a request's body, told of as it goes. */
export function useFileUpload<Answer>(
  url: string,
  { refused, done }: { refused: (words: string | null) => void; done: (answer: Answer, file: File) => void },
) {
  const [progress, setProgress] = useState<Sent | null>(null);
  const upload = (file: File) => {
    refused(null);
    setProgress({ sent: 0, total: file.size });
    const request = new XMLHttpRequest();
    request.open("PUT", url);
    request.upload.onprogress = (event) => setProgress({ sent: event.loaded, total: event.total });
    request.onerror = () => {
      setProgress(null);
      refused("The upload broke off. Nothing was kept; start it again.");
    };
    request.onload = () => {
      setProgress(null);
      const answer = JSON.parse(request.responseText) as { ok: boolean; words?: string } & Answer;
      if (answer.ok) done(answer, file);
      else refused(answer.words ?? "The upload was refused.");
    };
    request.send(file);
  };
  return { progress, upload };
}
