"use client";
import { useSay } from "@/features/shared/say/say";
import { useEffect, useMemo, useRef } from "react";
import type { DeskView } from "@/core/room";
import { Switch } from "@/ui";
import { useBrowserChoice } from "@/features/shared/use-browser-choice";

/** Two notes, drawn here: trouble falls, a coming rises, a going falls softly. Hertz, in their order. */
const tones = { trouble: [660, 440], coming: [523, 659], going: [523, 392] } as const;
type Tone = keyof typeof tones;
const noteSeconds = 0.14;

let audio: AudioContext | null = null;

function play(tone: Tone): void {
  audio ??= new AudioContext();
  // a page that was opened without an act of its reader begins silent
  void audio.resume();
  const begin = audio.currentTime;
  for (const [i, hertz] of tones[tone].entries()) {
    const [note, volume] = [audio.createOscillator(), audio.createGain()];
    const at = begin + i * noteSeconds;
    note.frequency.value = hertz;
    volume.gain.setValueAtTime(tone === "trouble" ? 0.2 : 0.08, at);
    volume.gain.exponentialRampToValueAtTime(0.001, at + noteSeconds);
    note.connect(volume).connect(audio.destination);
    note.start(at);
    note.stop(at + noteSeconds);
  }
}

/** How many came and went since the last look; null at the first, and where nobody did. */
export function comings(
  before: ReadonlySet<string> | null,
  now: ReadonlySet<string>,
): { readonly came: number; readonly went: number } | null {
  if (!before) return null;
  const came = [...now].filter((id) => !before.has(id)).length;
  const went = [...before].filter((id) => !now.has(id)).length;
  return came + went > 0 ? { came, went } : null;
}

/** What is new among these, once per change; what stood there in the first picture is not. @param ids null before it */
function useNew(ids: readonly string[] | null, onChange: (came: number, went: number) => void): void {
  const known = useRef<ReadonlySet<string> | null>(null);
  const told = useRef(onChange);
  useEffect(() => {
    told.current = onChange;
  });
  useEffect(() => {
    if (!ids) return;
    const now = new Set(ids);
    const changed = comings(known.current, now);
    known.current = now;
    if (changed) told.current(changed.came, changed.went);
  }, [ids]);
}

/** Sounds of this desk, each off unless it was set on this computer. */
export function useSounds(troubleIds: readonly string[] | null, audience: DeskView["audience"] | null): void {
  const [atTrouble] = useBrowserChoice("sound-trouble");
  const [atComing] = useBrowserChoice("sound-coming");
  useNew(troubleIds, (came) => {
    if (atTrouble && came > 0) play("trouble");
  });
  // a sound for each of thousands is a noise: one for all who came or went with one change
  const audienceIds = useMemo(() => audience && Object.keys(audience), [audience]);
  useNew(audienceIds, (came, went) => {
    if (atComing) play(came >= went ? "coming" : "going");
  });
}

/** The switches of those sounds: of this computer, not of the event. */
export function SoundSwitches() {
  const say = useSay();
  const [atTrouble, setTrouble] = useBrowserChoice("sound-trouble");
  const [atComing, setComing] = useBrowserChoice("sound-coming");
  const set = (choose: (next: string | null) => void, tone: Tone) => (isOn: boolean) => {
    choose(isOn ? "on" : null);
    if (isOn) play(tone);
  };
  return (
    <section className="flex flex-col gap-4 border-t border-rule pt-3">
      <h3 className="text-label font-medium text-ink-2">{say`On this computer alone`}</h3>
      <Switch
        label={say`A sound when something goes wrong`}
        hint={say`Two falling notes with each new trouble in the in-tray.`}
        isOn={atTrouble !== null}
        onChange={set(setTrouble, "trouble")}
      />
      <Switch
        label={say`A sound when people come and go`}
        hint={say`Rising for those who come into the audience, falling for those who leave.`}
        isOn={atComing !== null}
        onChange={set(setComing, "coming")}
      />
    </section>
  );
}
