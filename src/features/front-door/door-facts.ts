"use client";

import { type DoorWords } from "./door-view";

export interface DoorFacts {
  readonly title: string;
  readonly organisation: string;
  readonly when: string;
  readonly descriptionHtml: string;
  readonly agenda: readonly string[];
  readonly names: Readonly<Record<string, string>>;
  readonly files: readonly { readonly id: string; readonly name: string; readonly sizeBytes: number }[];
  readonly words: DoorWords & {
    readonly register: string;
    readonly name: string;
    readonly email: string;
    readonly submit: string;
    readonly required: string;
  };
}
