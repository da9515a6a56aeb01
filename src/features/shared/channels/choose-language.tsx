"use client";
import { useLocale, useTranslations } from "use-intl";
import type { HouseChannelItem } from "@/core/room";
import { Field, Select } from "@/ui";
import { languageName } from "../languages";
import type { RoomLink } from "../room-link/use-room";

/** What one hears: the stage itself, or it interpreted. The room keeps the choice for whoever comes back. */
export function ChooseLanguage({
  channels,
  listensTo,
  send,
}: {
  channels: Readonly<Record<string, HouseChannelItem>>;
  listensTo: string | null;
  send: RoomLink<never>["send"];
}) {
  const t = useTranslations("channels");
  const locale = useLocale();
  const languages = Object.keys(channels);
  const chosen = listensTo !== null && listensTo in channels ? listensTo : null;
  if (languages.length === 0) return null;
  const speaker = chosen && channels[chosen]!.speaker;
  return (
    <div className="mt-3 max-w-sm">
      <Field label={t("hear")}>
        {(ids) => (
          <Select
            {...ids}
            value={chosen ?? ""}
            onChange={({ target }) => void send({ type: "channels.listen", language: target.value || null })}
          >
            <option value="">{t("floor")}</option>
            {languages.map((one) => (
              <option key={one} value={one}>
                {t("interpreted", { language: languageName(one, locale) })}
              </option>
            ))}
          </Select>
        )}
      </Field>
      <p role="status" className="mt-1 text-label text-ink-2">
        {chosen && (speaker ? t("interprets", { name: speaker }) : t("nobody"))}
      </p>
    </div>
  );
}
