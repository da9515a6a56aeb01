"use client";
import type { Devices } from "@/features/shared/devices/use-devices";
import { useRouter } from "next/navigation";
import { useEffect, useId, useState } from "react";
import { Button, Field, Input, Note } from "@/ui";

import { CallMe } from "@/features/shared/call-me";
import { ByPhone } from "@/features/shared/by-phone";
import { DeviceChoice } from "@/features/shared/devices/device-choice";
import { HearYourself } from "@/features/shared/devices/hear-yourself";
import { OwnPicture } from "@/features/shared/devices/own-picture";
import { HourSentence, spanText } from "@/features/shared/times";
import { OwnSlides } from "@/features/shared/slides/own-slides";
import { useDevices } from "@/features/shared/devices/use-devices";
import { useNow } from "@/features/shared/use-now";
import type { EntranceProps } from "./props";

/** Without a foyer nobody is told that the doors opened: the page looks again by itself. */
function useLookAgain(isWaiting: boolean): void {
  const router = useRouter();
  useEffect(() => {
    if (!isWaiting) return;
    const timer = setInterval(() => router.refresh(), 5000);
    return () => clearInterval(timer);
  }, [isWaiting, router]);
}

function OwnCheck({
  headingId,
  words,
  devices,
  props,
}: {
  headingId: string;
  words: EntranceProps["words"]["foyer"];
  devices: Devices;
  props: EntranceProps;
}) {
  return (
    <section aria-labelledby={headingId} className="self-start bg-sheet p-4">
      <h2 id={headingId} className="text-base font-semibold">
        {words.check}
      </h2>
      <p className="mt-1 border-s-2 border-attention ps-2 text-attention">{words.headphones}</p>
      {devices.stream ? (
        <div className="mt-3 flex flex-col gap-2">
          <OwnPicture devices={devices} words={words} />
          {devices.isGenerated ? (
            <p className="text-label text-ink-2">{words.noDevice}</p>
          ) : (
            <>
              {props.soundBy !== "phone" && <HearYourself devices={devices} />}
              <DeviceChoice devices={devices} />
            </>
          )}
        </div>
      ) : (
        <Button className="mt-3" onClick={devices.start}>
          {words.checkStart}
        </Button>
      )}
      {props.phone.length > 0 && (
        <p className="mt-4 border-t border-rule pt-3">{props.soundBy === "phone" ? words.phoneOnly : words.phoneToo}</p>
      )}
      <ByPhone rows={props.phone} />
      {props.callMe && <CallMe words={props.words.callMe} ask={props.callMe} />}
      {!props.isStage && <p className="mt-3 text-label text-ink-2">{words.checkSkip}</p>}
    </section>
  );
}

/** Alone before the door: a name, a sound and picture check, the countdown; nothing is sent to anybody yet. */
export function Foyer(
  props: EntranceProps & {
    isPending: boolean;
    wrong: string | null;
    onEnter: (name: string, hasTriedDevices: boolean) => void;
  },
) {
  const [name, setName] = useState(props.name);
  const devices = useDevices({ colour: props.look.colour, pictureId: props.look.bannerId });
  const now = useNow(props.now);
  const words = props.words.foyer;
  const isOpen = props.isOpen || (!props.isByDoors && now >= props.opensAt);
  useLookAgain(props.isByDoors && !isOpen && !props.isOver);
  const headingId = useId();
  if (props.isOver) {
    return (
      <main className="mx-auto max-w-xl px-4 py-24">
        <h1 className="text-title font-semibold">
          <bdi>{props.title}</bdi>
        </h1>
        <p className="mt-2 text-lead">{props.words.house.ended}</p>
      </main>
    );
  }
  return (
    <>
      {}
      {props.look.bannerId && (
        <img src={`/pictures/${props.look.bannerId}`} alt="" className="block max-h-40 w-full object-cover" />
      )}
      <main className="mx-auto grid max-w-4xl gap-8 px-4 py-8 md:grid-cols-[1fr_20rem]">
        <div>
          <p className="text-label text-ink-2">{props.isStage ? words.backstageWelcome : words.welcome}</p>
          <h1 className="mt-1 text-title leading-tight font-semibold break-words">
            <bdi>{props.title}</bdi>
          </h1>
          <p className="mt-4 text-label text-ink-2">{now < props.startAt ? words.countdown : words.begun}</p>
          {now < props.startAt && (
            <output className="block text-clock leading-none">
              {spanText(props.startAt - now, props.hour.locale)}
            </output>
          )}
          {props.slides && <OwnSlides {...props.slides} occurrenceId={props.occurrenceId} language={props.locale} />}
          <form
            className="mt-6 flex flex-col gap-4"
            onSubmit={(event) => {
              event.preventDefault();
              const hasTriedDevices = devices.stream !== null && !devices.isGenerated;
              devices.stop();
              props.onEnter(name, hasTriedDevices);
            }}
          >
            <Field label={words.name}>
              {(ids) => (
                <Input
                  {...ids}
                  value={name}
                  maxLength={200}
                  onChange={(e) => setName(e.target.value)}
                  autoComplete="name"
                />
              )}
            </Field>
            {props.wrong && <Note tone="wrong">{props.wrong}</Note>}
            {!isOpen && (
              <Note>
                <HourSentence
                  at={props.opensAt}
                  zone={props.zone}
                  words={props.isStage ? words.backstageClosed : props.isByDoors ? words.noFoyer : words.closed}
                  hour={props.hour}
                />
              </Note>
            )}
            <Button
              type="submit"
              weight="act"
              disabled={!isOpen || props.isPending}
              className="min-h-11 self-start px-6 text-lead"
            >
              {props.isStage ? words.enterBackstage : words.enter}
            </Button>
            {props.backstage.length > 0 && (
              <p className="text-ink-2">
                {words.here}: {props.backstage.join(", ")}
              </p>
            )}
          </form>
        </div>
        <OwnCheck headingId={headingId} words={words} devices={devices} props={props} />
      </main>
    </>
  );
}
