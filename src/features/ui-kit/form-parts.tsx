"use client";
import { useState } from "react";
import { Checkbox, Combobox, DateInput, Field, FileInput, Input, Radio, Select, Switch, Textarea, Upload } from "@/ui";

const cities = [
  { value: "Europe/Lisbon", label: "Lisbon", also: ["Lisboa"], hint: "UTC+0" },
  { value: "America/Sao_Paulo", label: "São Paulo", also: ["Sao Paulo"], hint: "UTC-3" },
  { value: "Asia/Kathmandu", label: "Kathmandu", also: ["Katmandu"], hint: "UTC+5:45" },
];

function Choices() {
  const [city, setCity] = useState<string | null>(null);
  const [isOn, setOn] = useState(true);
  return (
    <>
      <Field label="Kind">
        {(ids) => (
          <Select {...ids} defaultValue="two">
            <option value="one">Public evening</option>
            <option value="two">Count clinic</option>
          </Select>
        )}
      </Field>
      <Field label="City">
        {(ids) => (
          <Combobox
            id={ids.id}
            label="City"
            choices={cities}
            value={city}
            placeholder="Type a city"
            onChange={setCity}
          />
        )}
      </Field>
      <label className="flex items-center gap-2">
        <Checkbox defaultChecked /> Questions are taken
      </label>
      <fieldset className="flex gap-4">
        <legend className="text-label text-ink-2">Who comes</legend>
        {["Anyone", "Invited people"].map((label) => (
          <label key={label} className="flex items-center gap-2">
            <Radio name="kit-who" defaultChecked={label === "Anyone"} /> {label}
          </label>
        ))}
      </fieldset>
      <Switch label="Chat" hint="The audience may write to all." isOn={isOn} onChange={setOn} />
    </>
  );
}

export function FormParts() {
  return (
    <section className="flex flex-col gap-3 border-t border-rule py-3" aria-label="Forms">
      <h2 className="text-label font-medium text-ink-2">
        Field, input, select, combobox, checkbox, radio, switch, upload
      </h2>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Title" hint="As the page shows it.">
          {(ids) => <Input {...ids} defaultValue="What the winter counts say" />}
        </Field>
        <Field label="Seats" error="A number from 1 to 1,000.">
          {(ids) => <Input {...ids} defaultValue="many" />}
        </Field>
        <Field label="Day">{(ids) => <DateInput {...ids} defaultValue="2026-12-03" />}</Field>
        <Field label="Words">{(ids) => <Textarea {...ids} defaultValue="Bring a lamp." />}</Field>
        <Choices />
        <Field label="A file">{(ids) => <FileInput {...ids} />}</Field>
      </div>
      <Upload
        label="Slides"
        hint="PDF, up to 100 MB. Drop it here or choose it."
        accept="application/pdf"
        progress={{ done: 12, all: 40 }}
        onFile={() => {}}
      />
    </section>
  );
}
