"use client";
import type { Done } from "@/contracts";
import type { Dispatch, SetStateAction, TransitionStartFunction } from "react";
import { useRouter } from "next/navigation";
import { useState, useTransition } from "react";
import { Button, Confirm, Field, Input, Note, Textarea, toast } from "@/ui";
import type { Contact } from "@/contracts";

const blank = { name: "", email: "", company: "", phone: "", note: "", tags: "", groups: "" };
const listOf = (text: string): string[] => [
  ...new Set(
    text
      .split(",")
      .map((one) => one.trim())
      .filter(Boolean),
  ),
];

type ContactFormProps = {
  contact: Contact | null;
  mayEdit: boolean;
  save: (id: string | null, input: unknown) => Promise<Done<string>>;
  erase?: (id: string) => Promise<Done<void>>;
};

function EraseContact({
  contact,
  run,
  props,
  router,
  setWrong,
}: {
  contact: Contact;
  run: TransitionStartFunction;
  props: ContactFormProps;
  router: ReturnType<typeof useRouter>;
  setWrong: Dispatch<SetStateAction<string | null>>;
}) {
  return (
    <Confirm
      weight="danger"
      trigger={<Button weight="danger">Erase this person</Button>}
      title={`Erase ${contact.name || contact.email}`}
      act="Erase for good"
      onConfirm={() =>
        run(async () => {
          const done = await props.erase!(contact.id);
          if (done.ok) router.push("/contacts");
          else setWrong(done.words);
        })
      }
    >
      <p>
        Name, address, words typed in rooms and every mail’s text go now and cannot be brought back. Links of this
        person stop working. Figures of past events stay as counts.
      </p>
    </Confirm>
  );
}

/** One contact's own words. Without a contact: a new one. */
export function ContactForm(props: ContactFormProps) {
  const { contact } = props;
  const router = useRouter();
  const [values, setValues] = useState(
    contact ? { ...blank, ...contact, tags: contact.tags.join(", "), groups: contact.groups.join(", ") } : blank,
  );
  const [wrong, setWrong] = useState<string | null>(null);
  const [isPending, run] = useTransition();
  const field = (name: keyof typeof blank, label: string, hint?: string) => (
    <Field label={label} hint={hint}>
      {(ids) => (
        <Input
          {...ids}
          value={values[name]}
          readOnly={!props.mayEdit}
          dir="auto"
          // two fields filled within one drawing of the screen: neither takes the other's letters away
          onChange={({ target }) => setValues((before) => ({ ...before, [name]: target.value }))}
        />
      )}
    </Field>
  );
  const submit = () =>
    run(async () => {
      const { name, email, company, phone, note } = values;
      const done = await props.save(contact?.id ?? null, {
        name,
        email,
        company,
        phone,
        note,
        zone: contact?.zone ?? null,
        tags: listOf(values.tags),
        groups: listOf(values.groups),
      });
      setWrong(done.ok ? null : done.words);
      if (!done.ok) return;
      toast("Saved.");
      router.push(`/contacts?contact=${done.value}`);
    });
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      {wrong && <Note tone="wrong">{wrong}</Note>}
      {field("name", "Name")}
      {field("email", "Mail address")}
      <div className="grid grid-cols-2 gap-3">
        {field("company", "Company")}
        {field("phone", "Phone")}
      </div>
      {field("groups", "Groups", "Parted by commas; a new name makes a new group.")}
      {field("tags", "Tags")}
      <Field label="Note">
        {(ids) => (
          <Textarea
            {...ids}
            rows={2}
            value={values.note}
            readOnly={!props.mayEdit}
            onChange={({ target }) => setValues((before) => ({ ...before, note: target.value }))}
          />
        )}
      </Field>
      {props.mayEdit && (
        <div className="flex gap-2">
          <Button type="submit" weight="act" disabled={isPending}>
            {contact ? "Save" : "Add to the book"}
          </Button>
          {contact && props.erase && (
            <EraseContact contact={contact} run={run} props={props} router={router} setWrong={setWrong} />
          )}
        </div>
      )}
    </form>
  );
}
