"use client";
import Link from "next/link";
import { useState, useTransition } from "react";
import type { Done, SlotPlanInput } from "@/contracts";
import { cityOf, clockTime, shortDate } from "@/core/time";
import { Badge, Button, Confirm, DataTable, Drawer, Empty, Note, Person, toast, type Column } from "@/ui";
import { SlotForm } from "./slot-form";

export interface BookingLine {
  readonly dateId: string;
  readonly startAt: number;
  readonly endAt: number;
  readonly name: string;
  readonly email: string;
}
export interface SlotPageView {
  readonly eventId: string;
  readonly slug: string;
  readonly isClosed: boolean;
  readonly input: SlotPlanInput;
  readonly bookings: readonly BookingLine[];
}
export interface SlotActs {
  readonly make: (input: SlotPlanInput) => Promise<Done<unknown>>;
  readonly edit: (eventId: string, input: SlotPlanInput) => Promise<Done<unknown>>;
  readonly close: (eventId: string, isClosed: boolean) => Promise<Done<void>>;
  readonly cancel: (eventId: string, dateIds: readonly string[]) => Promise<Done<number>>;
}
interface Shared {
  readonly zone: string;
  readonly todayLocal: string;
  readonly firstLocal: string;
  readonly events: readonly { readonly id: string; readonly title: string }[];
  readonly acts: SlotActs;
  readonly mayEdit: boolean;
}

function Bookings({
  page,
  mayEdit,
  cancel,
}: {
  page: SlotPageView;
  mayEdit: boolean;
  cancel: (dateIds: readonly string[], words: string) => void;
}) {
  const { zone } = page.input;
  const columns: readonly Column<BookingLine>[] = [
    {
      id: "when",
      head: `Hour in ${cityOf(zone)}`,
      value: (one) => one.startAt,
      cell: (one) => (
        <span className="mono">
          {shortDate(one.startAt, zone)} {clockTime(one.startAt, zone)}–{clockTime(one.endAt, zone)}
        </span>
      ),
    },
    {
      id: "who",
      head: "Booked by",
      value: (one) => one.name,
      cell: (one) => <Person size="small" name={one.name} about={one.email} />,
    },
    {
      id: "acts",
      head: "",
      className: "text-end",
      cell: (one) => (
        <span className="inline-flex items-center gap-3">
          <Link href={`/events/${page.eventId}/desk/${one.dateId}`} prefetch={false}>
            Open the desk
          </Link>
          {mayEdit && (
            <Confirm
              trigger={<Button weight="plain">Cancel</Button>}
              title={`Cancel the booking of ${one.name}?`}
              act="Cancel it"
              onConfirm={() => cancel([one.dateId], "Cancelled. They hear of it by mail.")}
            >
              {one.name} hears of it by mail, and the hour can be booked again.
            </Confirm>
          )}
        </span>
      ),
    },
  ];
  return (
    <DataTable
      label={`Bookings: ${page.input.title}`}
      rows={page.bookings}
      columns={columns}
      keyOf={(one) => one.dateId + one.email}
      empty={<Empty title="Nobody has booked yet">Send the link above to whoever may choose an hour.</Empty>}
    />
  );
}

function OnePage({ page, shared, onEdit }: { page: SlotPageView; shared: Shared; onEdit: () => void }) {
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const { input, bookings, eventId } = page;
  const { acts, mayEdit } = shared;
  const act = (doIt: () => Promise<Done<unknown>>, said: string) =>
    run(async () => {
      const done = await doIt();
      setWrong(done.ok ? null : done.words);
      if (done.ok) toast(said);
    });
  const cancel = (dateIds: readonly string[], said: string) => act(() => acts.cancel(eventId, dateIds), said);
  const people = bookings.length === 1 ? "1 person" : `${bookings.length} people`;
  return (
    <section aria-label={input.title}>
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h2 className="text-head font-semibold" dir="auto">
          {input.title}
        </h2>
        {page.isClosed && <Badge tone="attention">closed</Badge>}
        <span className="flex-1" />
        {mayEdit && (
          <>
            <Button weight="plain" onClick={onEdit}>
              Change the hours
            </Button>
            <Button
              weight="plain"
              disabled={isPending}
              onClick={() =>
                act(
                  () => acts.close(eventId, !page.isClosed),
                  page.isClosed ? "The hours can be booked again." : "Closed: no more bookings. What is booked stands.",
                )
              }
            >
              {page.isClosed ? "Take bookings again" : "Close for booking"}
            </Button>
            {bookings.length > 0 && (
              <Confirm
                trigger={<Button weight="plain">Cancel all bookings</Button>}
                title="Cancel all bookings?"
                act={`Cancel, and tell ${people}`}
                onConfirm={() =>
                  cancel(
                    bookings.map((one) => one.dateId),
                    "Cancelled. Everybody hears of it by mail.",
                  )
                }
              >
                {people} hear of it by mail, and their calendar entries go.
              </Confirm>
            )}
          </>
        )}
      </header>
      <p className="text-ink-2">
        <a href={`/book/${page.slug}`} className="mono">{`/book/${page.slug}`}</a> ·{" "}
        <span className="mono">{input.lengthMinutes}</span> min each, <span className="mono">{input.pauseMinutes}</span>{" "}
        min between, {input.capacity === 1 ? "one person" : `${input.capacity} people`} at a time
      </p>
      {wrong && <Note tone="wrong">{wrong}</Note>}
      <Bookings page={page} mayEdit={mayEdit} cancel={cancel} />
    </section>
  );
}

/** Every booking page with who comes when; new hours and changed ones on a sheet beside. */
export function SlotPages({ pages, ...shared }: Shared & { pages: readonly SlotPageView[] }) {
  const [openId, setOpenId] = useState<string | null>(null);
  const edited = pages.find((one) => one.eventId === openId) ?? null;
  const isOpen = openId !== null;
  return (
    <>
      {shared.mayEdit && (
        <Button weight="act" className="mb-5" onClick={() => setOpenId("new")}>
          New hours
        </Button>
      )}
      <div className="flex flex-col gap-8">
        {pages.length === 0 && (
          <Empty title="No hours are given out yet">
            Give out sound checks to the people on stage, or open hours to anybody: each booking gets a room, a mail and
            a calendar entry.
          </Empty>
        )}
        {pages.map((page) => (
          <OnePage key={page.eventId} page={page} shared={shared} onEdit={() => setOpenId(page.eventId)} />
        ))}
      </div>
      <Drawer
        isOpen={isOpen}
        onOpenChange={(next) => !next && setOpenId(null)}
        title={edited ? "Change the hours" : "New hours"}
      >
        {isOpen && (
          <SlotForm
            key={openId}
            {...shared}
            initial={edited?.input ?? null}
            save={(input) => (edited ? shared.acts.edit(edited.eventId, input) : shared.acts.make(input))}
            onSaved={() => setOpenId(null)}
          />
        )}
      </Drawer>
    </>
  );
}
