"use client";
import { useState, useTransition } from "react";
import type { Done } from "@/contracts";
import { shortDate } from "@/core/time";
import { ActButton } from "@/features/shared/act-button";
import { Badge, Button, Checkbox, Field, List, ListItem, Note, Select, toast } from "@/ui";

const daysOffered = [7, 30, 90, 365];

/** Links to the summary: each for so many days, taken back at any time. */
export function ShareLinks(props: {
  links: readonly {
    readonly id: string;
    readonly address: string;
    readonly withNames: boolean;
    readonly expiresAt: number;
    readonly isRevoked: boolean;
  }[];
  zone: string;
  now: number;
  make: (input: { withNames: boolean; days: number }) => Promise<Done<{ readonly address: string }>>;
  revoke: (id: string) => Promise<Done<unknown>>;
}) {
  const { zone, now } = props;
  const [withNames, setWithNames] = useState(false);
  const [days, setDays] = useState(30);
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const copy = (address: string) =>
    navigator.clipboard.writeText(address).then(
      () => toast("Copied."),
      () => toast("Mark the address and copy it by hand."),
    );
  const make = () =>
    run(async () => {
      const done = await props.make({ withNames, days });
      setWrong(done.ok ? null : done.words);
      if (done.ok) await copy(done.value.address);
    });
  return (
    <section aria-labelledby="share-links" className="mb-5 print:hidden">
      <h2 id="share-links" className="text-head font-semibold">
        Show it to others
      </h2>
      <p className="text-ink-2">Whoever has the link reads this page, and nothing else, without signing in.</p>
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <Field label="Works for" className="w-32">
          {(ids) => (
            <Select {...ids} value={String(days)} onChange={(event) => setDays(Number(event.target.value))}>
              {daysOffered.map((one) => (
                <option key={one} value={one}>
                  {one} days
                </option>
              ))}
            </Select>
          )}
        </Field>
        <label className="flex items-center gap-2 pb-1.5">
          <Checkbox checked={withNames} onChange={(event) => setWithNames(event.target.checked)} />
          With the names of those who came
        </label>
        <Button weight="act" disabled={isPending} onClick={make}>
          Make a link
        </Button>
        <Button onClick={() => window.print()}>Print or save as PDF</Button>
      </div>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {props.links.length > 0 && (
        <List label="Links given out">
          {props.links.map((link) => {
            const isOver = link.isRevoked || link.expiresAt <= now;
            return (
              <ListItem
                key={link.id}
                acts={
                  isOver ? (
                    <Badge>{link.isRevoked ? "taken back" : "over"}</Badge>
                  ) : (
                    <>
                      <Button size="small" onClick={() => void copy(link.address)}>
                        Copy
                      </Button>
                      <ActButton
                        act={() => props.revoke(link.id)}
                        words="Take back"
                        onDone={() => toast("It opens nothing any more.")}
                      />
                    </>
                  )
                }
              >
                <span className="mono block max-w-xl truncate text-label">{link.address}</span>
                <span className="text-label text-ink-2">
                  until {shortDate(link.expiresAt, zone)}
                  {link.withNames && ", with names"}
                </span>
              </ListItem>
            );
          })}
        </List>
      )}
    </section>
  );
}
