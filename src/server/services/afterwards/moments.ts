import { isoUtc } from "@/core/time";

import { type Cell } from "../ground/delimited";

export const iso = (at: number | null): Cell => (at === null ? null : isoUtc(at));

export const isoMs = (at: number | null): Cell => (at === null ? null : isoUtc(at, "milliseconds"));
