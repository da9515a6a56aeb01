"use client";
import type { PlanInput } from "@/contracts";
import { FormCheck, FormText } from "@/features/shared/contract-form";

/** One field of the plan, tied to the form and its errors. */
export const Text = FormText<PlanInput>;
export const Check = FormCheck<PlanInput>;
