"use client";
import type { Dispatch, SetStateAction } from "react";
import { useActionState, useRef, useState } from "react";
import { cityOf, clockTime, longDate } from "@/core/time";
import { Answered } from "@/features/shared/answered";
import { useFirstWrong } from "@/features/shared/use-first-wrong";
import { useReaderZone } from "@/features/shared/times";
import type { RegisterState } from "@/features/shared/register-state";
import { Checkbox, Input, Radio, classes, Button } from "@/ui";

interface BookingWords {
  readonly choose: string;
  readonly zone: string;
  readonly none: string;
  readonly book: string;
  readonly move: string;
  readonly name: string;
  readonly email: string;
  readonly consent: string;
  readonly working: string;
  readonly answered: string;
  readonly answeredMore: string;
}
function DayStarts({
  starts,
  chosen,
  setChosen,
  zone,
}: {
  starts: number[];
  chosen: number | null;
  setChosen: Dispatch<SetStateAction<number | null>>;
  zone: string;
}) {
  return (
    <div className="mt-1 flex flex-wrap gap-2">
      {starts.map((startAt) => (
        <label
          key={startAt}
          className={classes(
            "mono cursor-pointer border px-2.5 py-1.5 has-[:focus-visible]:outline-2",
            chosen === startAt ? "border-action bg-action text-on-action" : "border-rule bg-sheet",
          )}
        >
          <Radio
            name="startAt"
            value={startAt}
            checked={chosen === startAt}
            onChange={() => setChosen(startAt)}
            className="sr-only"
          />
          {clockTime(startAt, zone)}
        </label>
      ))}
    </div>
  );
}

/** The free slots in the visitor's own zone, day by day; one is chosen, then name and address, or nothing more where a booking moves. */
export function Booking(props: {
  slots: readonly { startAt: number; endAt: number }[];
  zone: string;
  locale: string;
  words: BookingWords;
  isMove: boolean;
  action: (before: RegisterState, data: FormData) => Promise<RegisterState>;
}) {
  const { words, locale } = props;
  const zone = useReaderZone(props.zone);
  const [state, submit, isPending] = useActionState(props.action, { status: "fresh", errors: {}, typed: {} });
  const [chosen, setChosen] = useState<number | null>(null);
  const form = useRef<HTMLFormElement>(null);
  useFirstWrong(form, state);
  const days = new Map<string, number[]>();
  for (const slot of props.slots) {
    const day = longDate(slot.startAt, zone, locale);
    days.set(day, [...(days.get(day) ?? []), slot.startAt]);
  }
  if (state.status === "answered") {
    return <Answered title={words.answered} more={words.answeredMore} email={state.typed["email"] ?? ""} />;
  }
  return (
    <form ref={form} action={submit} className="grid gap-6 md:grid-cols-[1fr_20rem]" noValidate>
      <fieldset>
        <legend className="text-head font-semibold">{words.choose}</legend>
        <p className="text-ink-2">{words.zone.replace("{zone}", cityOf(zone))}</p>
        {props.slots.length === 0 && <p className="mt-3 text-ink-2">{words.none}</p>}
        <div className="mt-3 flex max-h-[28rem] flex-col gap-4 overflow-y-auto">
          {[...days].map(([day, starts]) => (
            <div key={day}>
              <p className="text-label font-medium text-ink-2">{day}</p>
              <DayStarts starts={starts} chosen={chosen} setChosen={setChosen} zone={zone} />
            </div>
          ))}
        </div>
      </fieldset>
      <div className="flex flex-col gap-3 self-start border-t-4 border-action bg-sheet p-5">
        <input type="hidden" name="zone" value={zone} readOnly />
        {state.status === "refused" && (
          <p role="alert" tabIndex={-1} className="border-s-2 border-wrong px-3 py-1 text-wrong">
            {state.message}
          </p>
        )}
        {!props.isMove && (
          <>
            {(["name", "email"] as const).map((name) => (
              <label key={name} className="flex flex-col gap-1">
                <span className="text-label font-medium text-ink-2">{words[name]}</span>
                <Input
                  name={name}
                  type={name === "email" ? "email" : "text"}
                  autoComplete={name}
                  className="min-h-9"
                  defaultValue={state.typed[name] ?? ""}
                  aria-invalid={name in state.errors}
                />
                {state.errors[name] && <span className="text-label text-wrong">{state.errors[name]}</span>}
              </label>
            ))}
            <label className="flex items-start gap-2 text-label text-ink-2">
              <Checkbox name="consent" className="mt-0.5" defaultChecked={state.typed["consent"] === "on"} />
              <span>{words.consent}</span>
            </label>
            {state.errors["hasConsented"] && (
              <span className="text-label text-wrong">{state.errors["hasConsented"]}</span>
            )}
          </>
        )}
        <Button type="submit" disabled={isPending || chosen === null} weight="act" className="min-h-10 px-4">
          {isPending ? words.working : props.isMove ? words.move : words.book}
        </Button>
      </div>
    </form>
  );
}
