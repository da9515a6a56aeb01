/** What a contact's line can hold, in the order of the exported file. */
export const contactFields = [
  "name",
  "email",
  "company",
  "phone",
  "language",
  "time_zone",
  "tags",
  "groups",
  "note",
] as const;
export type ContactField = (typeof contactFields)[number];
/** A file may part names; the book has one. */
export const readableFields = [...contactFields, "given_name", "family_name"] as const;
export type ReadableField = (typeof readableFields)[number];

const known: Readonly<Record<ReadableField, readonly string[]>> = {
  name: ["name", "full name", "fullname", "display name", "contact", "nombre", "nom complet", "nome"],
  email: [
    "email",
    "e mail",
    "mail",
    "email address",
    "e mail address",
    "mail address",
    "correo",
    "courriel",
    "adresse mail",
  ],
  given_name: ["given name", "first name", "firstname", "forename", "vorname", "prenom"],
  family_name: ["family name", "last name", "lastname", "surname", "nachname", "apellido"],
  company: ["company", "organisation", "organization", "employer", "firma", "empresa"],
  phone: ["phone", "telephone", "phone number", "mobile", "telefon", "telefono"],
  language: ["language", "locale", "lang", "sprache", "idioma"],
  time_zone: ["time zone", "timezone", "zone", "tz"],
  tags: ["tags", "tag", "labels", "keywords"],
  groups: ["groups", "group", "list", "lists"],
  note: ["note", "notes", "comment", "remark"],
};

const plain = (header: string): string =>
  header
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, " ")
    .trim();

/** Which column holds what, by the header's words; each field once, the first column that fits. Null: left out. */
export function guessMapping(header: readonly string[]): (ReadableField | null)[] {
  const taken = new Set<ReadableField>();
  return header.map((cell) => {
    const words = plain(cell);
    const field = readableFields.find((one) => !taken.has(one) && known[one].includes(words)) ?? null;
    if (field) taken.add(field);
    return field;
  });
}
