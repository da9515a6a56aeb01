import type { FormField } from "@/core/front-door";

export type FormFieldView = FormField;
export type { RegisterState } from "@/features/shared/register-state";
export type RegisterWords = Readonly<
  Record<
    | "name"
    | "email"
    | "required"
    | "consent"
    | "submit"
    | "working"
    | "oneMoment"
    | "notNow"
    | "answered"
    | "answeredMore",
    string
  >
>;
