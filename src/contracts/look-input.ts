import { issue } from "@/core/shared";
import { z } from "zod";
import { formFieldsInput } from "./plan-input";

const line = (max: number) =>
  z
    .string()
    .max(max)
    .transform((text) => text.replace(/[\u0000-\u001f\u007f]+/g, " ").trim());

/** The front door as its editor sends it. */
export const frontDoorInput = z.object({
  look: z.object({
    colour: z.string().regex(/^#[0-9a-f]{6}$/i, issue("not-a-colour")),
    bannerId: z.uuid().nullable(),
    logoId: z.uuid().nullable(),
  }),
  agendaShown: z.boolean(),
  formFields: formFieldsInput,
  stage: z.array(z.object({ ticketId: z.uuid(), aboutLine: line(240), portraitId: z.uuid().nullable() })).max(50),
});
export type FrontDoorInput = z.infer<typeof frontDoorInput>;
