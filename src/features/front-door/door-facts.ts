"use client";

import type { AgendaItem } from "./agenda";
import { type DoorWords } from "./door-view";

export interface DoorFacts {
  readonly title: string;
  readonly organisation: string;
  readonly when: string;
  readonly descriptionHtml: string;
  readonly agenda: readonly AgendaItem[];
  readonly zone: string;
  /** a place, languages, credit: a line each */
  readonly besides: readonly string[];
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
