"use client";
import type { Done, ExtentConsequences, ExtentInput } from "@/contracts";

export interface StripDate {
  readonly id: string;
  readonly startAt: number;
  readonly startLocal: string;
  readonly originalStartLocal: string;
  readonly durationMinutes: number;
  readonly zone: string;
  readonly phase: string;
  readonly registered: number;
  readonly isFixed: boolean;
}

export interface Preview extends ExtentConsequences {
  /** why it cannot be done as it stands */
  readonly refusedWords: string | null;
}

export interface StripActs {
  preview(input: ExtentInput): Promise<Done<Preview>>;
  apply(input: ExtentInput, tellPeople: boolean): Promise<Done<{ changeId: string; changed: number; told: number }>>;
  undo(changeId: string): Promise<Done<number>>;
}

export const extentWords: Record<Preview["extent"], string> = {
  single: "Each marked date changes by itself; the rule stays.",
  later: "The series parts here: what lies before stays, the rest goes on as a series of its own.",
  all: "The whole series changes.",
};
