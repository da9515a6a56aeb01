import { useMemo } from "react";
import { useLocale, useTranslations } from "use-intl";
import type { HouseView, SettingSight } from "@/core/room";
import { languageName } from "../languages";
import { useBrowserChoice } from "../use-browser-choice";

/** Settings of an attendee that only their page knows the choices of: captions, and what they hear. */
export function useAudienceSettings(
  view: Pick<HouseView, "captions" | "channels">,
  listensTo: string | null,
): readonly SettingSight[] {
  const captions = useTranslations("captions");
  const channels = useTranslations("channels");
  const locale = useLocale();
  const [language] = useBrowserChoice("captions");
  const [size] = useBrowserChoice("captions-size");
  return useMemo(() => {
    const written = view.captions["it"]?.languages ?? [];
    const interpreted = Object.keys(view.channels);
    const inLanguage = (one: string) => captions("in", { language: languageName(one, locale) });
    const all: SettingSight[] = [];
    if (written.length > 0) {
      const off = { value: "off", words: captions("off") };
      const on = written.slice(0, 18).map((value) => ({ value, words: inLanguage(value) }));
      all.push({ setting: "captions", value: language, choices: [...on, off] });
      const sizes = (["normal", "large", "largest"] as const).map((value) => ({
        value,
        words: captions(`sizes.${value}`),
      }));
      all.push({ setting: "captions-size", value: size ?? "normal", choices: sizes });
    }
    if (interpreted.length > 0) {
      const heard = interpreted.slice(0, 18).map((value) => ({
        value,
        words: channels("interpreted", { language: languageName(value, locale) }),
      }));
      all.push({ setting: "hear", value: listensTo, choices: [{ value: null, words: channels("floor") }, ...heard] });
    }
    return all;
  }, [view.captions, view.channels, listensTo, language, size, locale, captions, channels]);
}
