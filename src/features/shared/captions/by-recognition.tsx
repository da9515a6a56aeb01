"use client";
import { useEffect, useRef, useState } from "react";
import { useTranslations } from "use-intl";
import { Button, Note } from "@/ui";
import { browserRecogniser, type Recogniser } from "./recogniser";
import { standInRecogniser } from "./stand-in-recogniser";

const every = (run: () => void, ms: number) => {
  const timer = setInterval(run, ms);
  return () => clearInterval(timer);
};

/** Captions by what a recogniser hears; where a browser has none, a rehearsal is offered the invented one. */
export function ByRecognition(props: {
  language: string;
  isRehearsal: boolean;
  say: (text: string) => void;
  typing: (text: string) => void;
}) {
  const { language, isRehearsal, say, typing } = props;
  const t = useTranslations("captions");
  const [own, setOwn] = useState<Recogniser | null>(null);
  const [heard, setHeard] = useState("");
  const [isWrong, setWrong] = useState(false);
  const running = useRef<Recogniser | null>(null);
  const stop = () => {
    running.current?.stop();
    running.current = null;
    setOwn(null);
    setHeard("");
    typing("");
  };
  // this place left: it listens no longer
  useEffect(() => () => running.current?.stop(), []);
  const start = (recogniser: Recogniser) => {
    setWrong(false);
    running.current = recogniser;
    setOwn(recogniser);
    recogniser.start(language, {
      partial: (text) => {
        setHeard(text);
        typing(text);
      },
      line: (text) => {
        setHeard("");
        typing("");
        say(text);
      },
      failed: () => {
        stop();
        setWrong(true);
      },
    });
  };
  const real = typeof window === "undefined" ? null : browserRecogniser(window);
  return (
    <div className="flex flex-col gap-3">
      {isWrong && <Note tone="wrong">{t("recogniserFailed")}</Note>}
      {own ? (
        <>
          <p aria-live="off" className="min-h-12 text-lead" dir="auto">
            {heard || t("listening")}
          </p>
          <Button className="self-start" onClick={stop}>
            {t("stopListening")}
          </Button>
        </>
      ) : (
        <>
          <p className="text-ink-2">{real ? t("recogniserNote") : t("noRecogniser")}</p>
          <div className="flex flex-wrap gap-2">
            {real && (
              <Button weight="act" onClick={() => start(real)}>
                {t("listen")}
              </Button>
            )}
            {isRehearsal && <Button onClick={() => start(standInRecogniser(every))}>{t("listenInvented")}</Button>}
          </div>
        </>
      )}
    </div>
  );
}
