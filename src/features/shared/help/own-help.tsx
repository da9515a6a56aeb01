"use client";
import { useEffect, useRef, useState } from "react";
import { useLocale, useTranslations } from "use-intl";
import type { AsideBody } from "@/contracts";
import type { HelpSight, OwnHelp, SettingChange, SettingSight } from "@/core/room";
import { Button, Dialog, Note, TextButton } from "@/ui";
import type { RoomLink } from "../room-link/use-room";
import { chooseForBrowser } from "../use-browser-choice";
import { settingKeys, sightNow } from "./sight";

type Link = Pick<RoomLink<never>, "send" | "whisper" | "onAside">;
const toldEveryMs = 2000;
const again = 4;

interface Offer {
  readonly offerId: string;
  readonly change: SettingChange;
}

/** Tells the one who helps what this person sees, whenever that has changed. */
function useTelling(
  link: Link,
  helperId: string | null,
  place: HelpSight["place"],
  settings: readonly SettingSight[],
): void {
  const locale = useLocale();
  const last = useRef("");
  const held = useRef(settings);
  useEffect(() => {
    held.current = settings;
  }, [settings]);
  const { whisper } = link;
  useEffect(() => {
    if (!helperId) return;
    last.current = "";
    let rounds = 0;
    const tell = async () => {
      const sight = await sightNow(place, locale, held.current);
      const text = JSON.stringify(sight);
      // now and then the same again: the helper's page may have been loaded anew
      if (text === last.current && (rounds += 1) % again !== 0) return;
      last.current = text;
      whisper({ type: "help.sight", to: helperId, sight });
    };
    void tell();
    const timer = setInterval(() => void tell(), toldEveryMs);
    return () => clearInterval(timer);
  }, [helperId, place, locale, whisper]);
}

/** Offers of the one who helps, one after the other: each is let happen or not. */
function useOffers({ onAside, whisper, send }: Link, helperId: string | null) {
  const [offers, setOffers] = useState<readonly Offer[]>([]);
  useEffect(
    () =>
      onAside((from: string, said: AsideBody) => {
        if (said.type === "help.offer" && from === helperId) setOffers((before) => [...before, said]);
      }),
    [onAside, helperId],
  );
  const answer = (offer: Offer, isLet: boolean) => {
    setOffers((before) => before.filter((one) => one !== offer));
    const { setting, value } = offer.change;
    if (isLet && setting === "hear") void send({ type: "channels.listen", language: value });
    else if (isLet && setting !== "hear") chooseForBrowser(settingKeys[setting], value);
    if (helperId) whisper({ type: "help.answer", to: helperId, offerId: offer.offerId, isLet });
  };
  // what was offered ends with the help
  return { offer: helperId ? offers[0] : undefined, answer };
}

function OfferDialog({ offer, answer }: { offer: Offer; answer: (offer: Offer, isLet: boolean) => void }) {
  const t = useTranslations("help");
  const { setting, words } = offer.change;
  return (
    <Dialog
      title={t("offer", { setting: t(`settings.${setting}`), value: words })}
      isOpen
      onOpenChange={(isOpen) => !isOpen && answer(offer, false)}
    >
      <p className="text-ink-2">{t("offerNote")}</p>
      <div className="mt-4 flex gap-2">
        <Button weight="act" onClick={() => answer(offer, true)}>
          {t("let")}
        </Button>
        <Button onClick={() => answer(offer, false)}>{t("refuse")}</Button>
      </div>
    </Dialog>
  );
}

/**
 * Shows one of the team what one sees, by one act; ended at once by either.
 * @param settings what only this page knows: captions, languages to hear
 */
export function OwnHelpPlace(props: {
  link: Link;
  own: OwnHelp | undefined;
  place: HelpSight["place"];
  settings?: readonly SettingSight[];
}) {
  const { link, own, place, settings = [] } = props;
  const t = useTranslations("help");
  const helperId = own?.helperId ?? null;
  useTelling(link, helperId, place, settings);
  const { offer, answer } = useOffers(link, helperId);
  if (!own)
    return (
      <p className="mt-3">
        <TextButton className="text-label text-ink-2 underline" onClick={() => void link.send({ type: "help.ask" })}>
          {t("ask")}
        </TextButton>
      </p>
    );
  return (
    <div className="mt-3">
      <Note>
        {t(helperId ? "shown" : "asked")}{" "}
        <TextButton className="underline" onClick={() => void link.send({ type: "help.end" })}>
          {t("end")}
        </TextButton>
      </Note>
      {offer && <OfferDialog offer={offer} answer={answer} />}
    </div>
  );
}
