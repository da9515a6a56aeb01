"use client";
import { useEffect, useState } from "react";
import { useLocale, useTranslations } from "use-intl";
import type { DeskView, HelpSight, SettingSight } from "@/core/room";
import type { RoomLink } from "@/features/shared/room-link/use-room";
import { languageName } from "@/features/shared/languages";
import { Button, Field, Note, Select } from "@/ui";

type Link = RoomLink<DeskView>;

interface Told {
  /** whose */
  readonly from: string;
  readonly sight: HelpSight | null;
  readonly answer: { readonly offerId: string; readonly isLet: boolean } | null;
}

/** What came last from somebody who is helped: heard before their place opens, too. */
function useTold({ onAside }: Link): Told | null {
  const [told, setTold] = useState<Told | null>(null);
  useEffect(
    () =>
      onAside((from, said) =>
        setTold((before) => {
          const own = before?.from === from ? before : { from, sight: null, answer: null };
          if (said.type === "help.sight") return { ...own, sight: said.sight };
          return said.type === "help.answer" ? { ...own, answer: said } : before;
        }),
      ),
    [onAside],
  );
  return told;
}

function Facts({ sight }: { sight: HelpSight }) {
  const locale = useLocale();
  const t = useTranslations("help");
  const rows: readonly (readonly [string, string])[] = [
    [t("facts.place"), t(`places.${sight.place}`)],
    [
      t("facts.screen"),
      t("screen", { width: sight.width, height: sight.height, percent: Math.round(sight.zoom * 100) }),
    ],
    [t("facts.language"), languageName(sight.language, locale)],
    [t("facts.browser"), sight.browser],
    [t("facts.line"), t(sight.isOnline ? "line.on" : "line.off")],
    [t("settings.microphone"), t(`permissions.${sight.microphone}`)],
    [t("settings.camera"), t(`permissions.${sight.camera}`)],
  ];
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
      {rows.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="text-ink-2">{name}</dt>
          <dd dir="auto">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

/** One setting of theirs: another choice is offered to them, never set from here. */
function OfferSetting({ one, offer }: { one: SettingSight; offer: (words: string, value: string | null) => void }) {
  const t = useTranslations("help");
  const at = one.choices.findIndex((choice) => choice.value === one.value);
  return (
    <Field label={t(`settings.${one.setting}`)}>
      {(ids) => (
        <Select
          {...ids}
          value={String(at)}
          onChange={({ target }) => {
            const choice = one.choices[Number(target.value)];
            if (choice) offer(choice.words, choice.value);
          }}
        >
          {at < 0 && <option value="-1">{t("own")}</option>}
          {one.choices.map((choice, i) => (
            <option key={choice.value ?? ""} value={String(i)}>
              {choice.words}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}

/** The screen of somebody who is helped, in words, and their settings to be put right with their consent. */
function HelpPlace(props: { room: Link; ticketId: string; name: string; told: Told | null }) {
  const { room, ticketId, name } = props;
  const t = useTranslations("help");
  const { sight, answer } = props.told ?? { sight: null, answer: null };
  const [offered, setOffered] = useState<{ readonly offerId: string; readonly words: string } | null>(null);
  const close = () => void room.send({ type: "help.close", ticketId });
  const offer = (one: SettingSight) => (words: string, value: string | null) => {
    const offerId = crypto.randomUUID();
    setOffered({ offerId, words });
    room.whisper({ type: "help.offer", to: ticketId, offerId, change: { setting: one.setting, value, words } });
  };
  const outcome = offered && (answer?.offerId !== offered.offerId ? "waits" : answer.isLet ? "wasLet" : "wasRefused");
  return (
    // beside the hour, never over it: the desk goes on
    <section aria-labelledby={`helped-${ticketId}`} className="border border-action bg-sheet p-3">
      <div className="mb-3 flex items-start justify-between gap-3">
        <h2 id={`helped-${ticketId}`} className="text-lead font-semibold">
          {t("sees", { name })}
        </h2>
        <Button onClick={close}>{t("endFor", { name })}</Button>
      </div>
      {!sight ? (
        <p className="text-ink-2">{t("noSight", { name })}</p>
      ) : (
        <div className="grid gap-4 xl:grid-cols-2">
          <Facts sight={sight} />
          <section>
            <h3 className="text-label text-ink-2">{t("onScreen")}</h3>
            <ul className="mt-1 border-s-2 border-rule ps-3">
              {sight.lines.map((line) => (
                <li key={line} dir="auto">
                  {line}
                </li>
              ))}
            </ul>
          </section>
          <section className="flex flex-col gap-2">
            <h3 className="text-label text-ink-2">{t("offerTitle", { name })}</h3>
            {sight.settings.length === 0 && <p className="text-ink-2">{t("noSettings")}</p>}
            {sight.settings.map((one) => (
              <OfferSetting key={one.setting} one={one} offer={offer(one)} />
            ))}
          </section>
          <div role="status">
            {offered && outcome && (
              <Note tone={outcome === "wasRefused" ? "attention" : "plain"}>
                {t(outcome, { name, words: offered.words })}
              </Note>
            )}
          </div>
        </div>
      )}
    </section>
  );
}

/** Whoever this member of the team helps just now. */
export function Helping({ room, view, me }: { room: Link; view: DeskView; me: string }) {
  const mine = Object.entries(view.helped).find(([, one]) => one.helperId === me);
  const told = useTold(room);
  if (!mine) return null;
  const [ticketId, { name }] = mine;
  return (
    <HelpPlace
      key={ticketId}
      room={room}
      ticketId={ticketId}
      name={name}
      told={told?.from === ticketId ? told : null}
    />
  );
}
