"use client";
import type { Done } from "@/contracts";
import { DoorFacts } from "./door-facts";
import type { ReadableLook } from "@/core/front-door";
import { useRouter } from "next/navigation";
import { useState, type ReactNode } from "react";
import type { z } from "zod";
import { frontDoorInput, type FrontDoorInput } from "@/contracts";
import { neededContrast, readableLook } from "@/core/front-door";
import { useContractEditor } from "@/features/shared/contract-editor";
import { DraftNote } from "@/features/shared/use-draft";
import { Button, Checkbox, Field, Input, Note, toast } from "@/ui";
import { CropPicture } from "./crop-picture";

import { FormBuilder } from "./form-builder";
import { widths, PageBeside } from "./page-beside";

function ColourField({
  look,
  input,
  setLook,
}: {
  look: ReadableLook;
  input: FrontDoorInput;
  setLook: (part: Partial<FrontDoorInput["look"]>) => void;
}) {
  return (
    <Field
      label="Colour"
      hint={
        look.wasDarkened
          ? `For words a darker one is taken: this one is below ${neededContrast} : 1 on paper.`
          : `Can be read on paper and with words on it.`
      }
    >
      {(ids) => (
        <span className="flex flex-wrap items-center gap-2">
          <input
            type="color"
            aria-label="Choose the colour"
            value={input.look.colour}
            onChange={(event) => setLook({ colour: event.target.value.toUpperCase() })}
            className="h-9 w-12 border border-rule"
          />
          <Input
            {...ids}
            className="mono w-32!"
            value={input.look.colour}
            maxLength={7}
            onChange={(event) => setLook({ colour: event.target.value })}
          />
          <span className="px-3 py-1.5" style={{ background: look.ground, color: look.onGround }}>
            words on it
          </span>
        </span>
      )}
    </Field>
  );
}

function PersonOnPage({
  person,
  facts,
  setPerson,
  eventId,
}: {
  person: { ticketId: string; aboutLine: string; portraitId: string | null };
  facts: DoorFacts;
  setPerson: (ticketId: string, part: Partial<FrontDoorInput["stage"][number]>) => void;
  eventId: string;
}) {
  return (
    <div key={person.ticketId} className="border-t border-rule pt-2">
      <p className="font-medium">{facts.names[person.ticketId]}</p>
      <Field label="A line about them">
        {(ids) => (
          <Input
            {...ids}
            maxLength={240}
            value={person.aboutLine}
            onChange={(event) => setPerson(person.ticketId, { aboutLine: event.target.value })}
          />
        )}
      </Field>
      <CropPicture
        eventId={eventId}
        label={`Portrait of ${facts.names[person.ticketId] ?? ""}`}
        aspect={1}
        width={320}
        pictureId={person.portraitId}
        onChange={(portraitId) => setPerson(person.ticketId, { portraitId })}
      />
    </div>
  );
}

type DoorEditorProps = {
  eventId: string;
  version: number;
  initial: FrontDoorInput;
  facts: DoorFacts;
  mayEdit: boolean;
  save: (version: number, input: FrontDoorInput) => Promise<Done<number>>;
  files: ReactNode;
};

function LookSection({
  look,
  input,
  setLook,
  eventId,
  change,
}: {
  look: ReadableLook;
  input: FrontDoorInput;
  setLook: (part: Partial<FrontDoorInput["look"]>) => void;
  eventId: string;
  change: (part: Partial<FrontDoorInput>) => void;
}) {
  return (
    <section aria-label="Look" className="flex flex-col gap-3">
      <h2 className="text-head font-semibold">Look</h2>
      <ColourField look={look} input={input} setLook={setLook} />
      <CropPicture
        eventId={eventId}
        label="Banner"
        aspect={4}
        width={1600}
        pictureId={input.look.bannerId}
        onChange={(bannerId) => setLook({ bannerId })}
      />
      <CropPicture
        eventId={eventId}
        label="Logo"
        aspect={1}
        width={256}
        pictureId={input.look.logoId}
        onChange={(logoId) => setLook({ logoId })}
      />
      <label className="flex items-center gap-2">
        <Checkbox checked={input.agendaShown} onChange={(event) => change({ agendaShown: event.target.checked })} />{" "}
        Show the run sheet on the page
      </label>
    </section>
  );
}

/** The front door's look, people, files and form, with the page itself beside them at a laptop's and a phone's width. */
export function DoorEditor(props: DoorEditorProps) {
  const { facts, eventId } = props;
  const router = useRouter();
  const [version, setVersion] = useState(props.version);
  const [width, setWidth] = useState<keyof typeof widths>("laptop");
  const editor = useContractEditor({
    schema: frontDoorInput as z.ZodType<FrontDoorInput>,
    initial: props.initial,
    draftKey: `front-door ${eventId}`,
    save: (input) => props.save(version, input),
    onSaved: (next) => {
      setVersion(next);
      toast("The public page is saved.");
      router.refresh();
    },
  });
  const { value: input, change, wrong, draft } = editor;
  const look = readableLook(input.look.colour);
  const setLook = (part: Partial<FrontDoorInput["look"]>) => change({ look: { ...input.look, ...part } });
  const setPerson = (ticketId: string, part: Partial<FrontDoorInput["stage"][number]>) =>
    change({ stage: input.stage.map((one) => (one.ticketId === ticketId ? { ...one, ...part } : one)) });
  const scale = width === "laptop" ? 0.44 : 0.8;
  return (
    <div className="mt-6 grid grid-cols-1 gap-6 lg:grid-cols-[minmax(0,1fr)_33rem]">
      <div className="flex flex-col gap-6">
        {props.mayEdit && <DraftNote draft={draft} />}
        {wrong && <Note tone="wrong">{wrong}</Note>}
        <LookSection look={look} input={input} setLook={setLook} eventId={eventId} change={change} />
        {input.stage.length > 0 && (
          <section aria-label="People on the page" className="flex flex-col gap-3">
            <h2 className="text-head font-semibold">People on the page</h2>
            {input.stage.map((person) => (
              <PersonOnPage
                key={person.ticketId}
                person={person}
                facts={facts}
                setPerson={setPerson}
                eventId={eventId}
              />
            ))}
          </section>
        )}
        <section aria-label="Files for visitors">
          <h2 className="text-head font-semibold">Files for visitors</h2>
          {props.files}
        </section>
        <section aria-label="Registration form" id="formFields">
          <h2 className="text-head font-semibold">Registration form</h2>
          <p className="text-ink-2">Name, address and consent are always asked.</p>
          <FormBuilder
            errorAt={editor.errorAt}
            value={input.formFields}
            onChange={(formFields) => change({ formFields })}
          />
        </section>
        {props.mayEdit && (
          <div className="sticky bottom-0 border-t border-rule bg-ground py-2">
            <Button weight="act" disabled={editor.isPending || !editor.isDirty} onClick={editor.save}>
              Save
            </Button>
          </div>
        )}
      </div>
      <PageBeside width={width} setWidth={setWidth} scale={scale} facts={facts} input={input} />
    </div>
  );
}
