"use client";
import { useMemo } from "react";
import { useLocale, useTranslations } from "use-intl";
import { classes, Select } from "@/ui";
import type { LogRow } from "@/contracts";
import type { RoomLink } from "../room-link/use-room";
import { languageName } from "../languages";
import { useBrowserChoice } from "../use-browser-choice";
import type { SeenClock } from "../watch/programme-video";
import { linesNow, linesOf, shownFrom } from "./rows";
import { useSeen } from "./use-seen";

const sizes = ["normal", "large", "largest"] as const;
type Size = (typeof sizes)[number];
const sizeClass: Readonly<Record<Size, string>> = {
  normal: "text-lead leading-snug",
  large: "text-head leading-snug",
  largest: "text-title leading-snug",
};
const off = "off";

/** Two lines under the picture, in a language of one's own choice, as large as one wants them; or none. */
export function HouseCaptions(props: {
  languages: readonly string[];
  rows: readonly LogRow[];
  /** what is being typed, by language */
  typing: RoomLink<never>["typing"];
  /** server time minus this browser's */
  ahead: number;
  /** which instant the picture shows */
  seenRef: SeenClock;
}) {
  const t = useTranslations("captions");
  const locale = useLocale();
  const [chosen, choose] = useBrowserChoice("captions");
  const [keptSize, setSize] = useBrowserChoice("captions-size");
  const size = sizes.find((one) => one === keptSize) ?? "normal";
  const own = props.languages.find((one) => one === locale) ?? props.languages[0]!;
  const language = chosen === off ? null : chosen && props.languages.includes(chosen) ? chosen : own;
  const shown = useMemo(() => (language ? shownFrom(linesOf(props.rows, language)) : []), [props.rows, language]);
  const typed = language ? props.typing.get(language) : undefined;
  const { now, typedThen } = useSeen(props.seenRef, language ? props.ahead : null, typed);
  const lines = linesNow(shown, typedThen, { now, ahead: props.ahead });
  return (
    <section aria-label={t("title")} className="mt-2">
      {language && (
        <p
          lang={language}
          dir="auto"
          aria-live="off"
          className={classes(
            "mx-auto flex min-h-[2.9em] max-w-[40ch] flex-col items-center justify-end text-center",
            sizeClass[size],
          )}
        >
          {lines.map((line) => (
            <span key={line} className="bg-[#14181b] px-2 text-white">
              {line}
            </span>
          ))}
        </p>
      )}
      <div className="mt-1 flex flex-wrap items-center gap-2 text-label">
        <Select
          aria-label={t("language")}
          className="w-auto!"
          value={language ?? off}
          onChange={(event) => choose(event.target.value)}
        >
          {props.languages.map((one) => (
            <option key={one} value={one}>
              {t("in", { language: languageName(one, locale) })}
            </option>
          ))}
          <option value={off}>{t("off")}</option>
        </Select>
        {language && (
          <Select
            aria-label={t("size")}
            className="w-auto!"
            value={size}
            onChange={(event) => setSize(event.target.value)}
          >
            {sizes.map((one) => (
              <option key={one} value={one}>
                {t(`sizes.${one}`)}
              </option>
            ))}
          </Select>
        )}
      </div>
    </section>
  );
}
