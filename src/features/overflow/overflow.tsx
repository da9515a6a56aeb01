"use client";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { IntlProvider, useTranslations } from "use-intl";
import type { Locale, Messages } from "@/contracts/messages";
import { overflowSignEveryMs } from "@/core/programme";
import { ProgrammeVideo, type MediaAddress } from "@/features/shared/watch/programme-video";
import { buttonClass, KitIn, Note } from "@/ui";

const askAgainMs = { live: 120_000, "not-yet": 20_000 } as const;

/** Asks again how it stands, each screen at an instant of its own. */
function useFresh(state: string): void {
  const router = useRouter();
  useEffect(() => {
    const everyMs = askAgainMs[state as keyof typeof askAgainMs];
    if (!everyMs) return;
    const timer = setInterval(() => router.refresh(), everyMs * (0.8 + Math.random() * 0.4));
    return () => clearInterval(timer);
  }, [router, state]);
}

/** Says now and then that somebody watches here: the desk sees how many, nobody sees who. */
function useCounted(media: MediaAddress | null): void {
  // made up by this page and kept nowhere
  const [watcher] = useState(() => crypto.randomUUID());
  const url = media && `${media.base}watching?${media.query}`;
  useEffect(() => {
    if (!url) return;
    const body = JSON.stringify({ watcher });
    const headers = { "content-type": "application/json" };
    const say = () => void fetch(url, { method: "POST", headers, body }).catch(() => {});
    say();
    const timer = setInterval(say, overflowSignEveryMs);
    return () => clearInterval(timer);
  }, [url, watcher]);
}

interface OverflowProps {
  title: string;
  state: "holders-only" | "not-yet" | "live" | "over";
  /** when it begins, in words */
  when: string | null;
  media: MediaAddress | null;
  eventHref: string;
}

function Room(props: OverflowProps) {
  const { state, media } = props;
  const t = useTranslations("overflow");
  useFresh(state);
  useCounted(media);
  const said = { "holders-only": t("holders"), "not-yet": t("notYet"), over: t("over"), live: t("only") }[state];
  return (
    <main className="mx-auto flex max-w-5xl flex-col gap-3 px-4 py-4">
      <h1 className="text-lead font-semibold" dir="auto">
        {props.title}
      </h1>
      {media && (
        <section data-theme="desk" className="bg-ground p-2 sm:p-3">
          <ProgrammeVideo media={media} by="playlist" label={props.title} className="aspect-video" />
        </section>
      )}
      <div aria-live="polite" className="flex flex-wrap items-center justify-between gap-3">
        {state === "holders-only" ? <Note tone="attention">{said}</Note> : <p className="text-ink-2">{said}</p>}
        {state === "not-yet" && props.when && <p className="text-lead">{t("starts", { when: props.when })}</p>}
        {state !== "live" && (
          <a href={props.eventHref} className={buttonClass()}>
            {t("toEvent")}
          </a>
        )}
      </div>
    </main>
  );
}

/** The programme for whoever has no seat: watched, nothing else. */
export const OverflowRoom = ({
  locale,
  words,
  ...props
}: OverflowProps & { locale: Locale; words: Pick<Messages, "overflow" | "watch" | "kit"> }) => (
  <IntlProvider locale={locale} messages={words as never} timeZone="UTC">
    <KitIn words={words.kit}>
      <Room {...props} />
    </KitIn>
  </IntlProvider>
);
