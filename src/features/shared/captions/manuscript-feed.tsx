"use client";
import { useTranslations } from "use-intl";
import { Button, classes, Field, Press, Textarea } from "@/ui";
import { useManuscript } from "./use-manuscript";

const mostLetters = 60_000;

/** A text fed line by line: it goes on while somebody is heard, and waits while nobody is; jumped in and held by hand. */
export function ManuscriptFeed({ isHeard, say }: { isHeard: boolean; say: (text: string) => void }) {
  const t = useTranslations("captions");
  const feed = useManuscript(isHeard, say);
  return (
    <div className="flex flex-col gap-3">
      <Field label={t("manuscript")} hint={t("manuscriptHint")}>
        {(ids) => (
          <Textarea
            {...ids}
            rows={4}
            dir="auto"
            maxLength={mostLetters}
            value={feed.text}
            onChange={(event) => feed.setText(event.target.value)}
          />
        )}
      </Field>
      {feed.captions.length > 0 && (
        <>
          <div className="flex flex-wrap items-center gap-3">
            <Button weight="act" onClick={() => feed.run(!feed.isRunning)}>
              {t(feed.isRunning ? "hold" : "run")}
            </Button>
            <Button disabled={feed.at >= feed.captions.length} onClick={() => feed.jump(feed.at)}>
              {t("nextLine")}
            </Button>
            <span role="status" className="text-ink-2">
              {t("lineOf", { line: Math.min(feed.at, feed.captions.length), count: feed.captions.length })}
              {feed.isRunning && !isHeard && ` · ${t("waits")}`}
            </span>
          </div>
          <ol aria-label={t("lines")} className="max-h-56 overflow-y-auto">
            {feed.captions.map((lines, i) => (
              <li key={i}>
                <Press
                  aria-current={i === feed.at - 1 ? "true" : undefined}
                  onClick={() => feed.jump(i)}
                  className={classes(
                    "w-full border-s-2 px-2 py-1 text-start",
                    i === feed.at - 1 ? "border-action" : "border-transparent",
                    i < feed.at - 1 && "text-ink-2",
                  )}
                >
                  <bdi>{lines.join(" ")}</bdi>
                </Press>
              </li>
            ))}
          </ol>
        </>
      )}
    </div>
  );
}
