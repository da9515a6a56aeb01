"use client";
import { useTranslations } from "use-intl";
import type { Messages } from "@/contracts/messages";
import { buttonClass } from "@/ui";

/** What the audience sees once the hour is over: that it is, and how they may say how it was. */
export function HourOver(props: { title: string | undefined; surveyHref: string | null; words: Messages }) {
  const t = useTranslations("house");
  return (
    <main className="mx-auto max-w-xl px-4 py-24 text-center">
      <h1 className="text-title font-semibold">
        <bdi>{props.title}</bdi>
      </h1>
      <p className="mt-2 text-lead">{t("ended")}</p>
      {props.surveyHref && (
        <p className="mt-6">
          <a href={props.surveyHref} className={buttonClass("act")}>
            {props.words.survey.answer}
          </a>
        </p>
      )}
    </main>
  );
}
