import { clsx, type ClassValue } from "clsx";
import { extendTailwindMerge } from "tailwind-merge";

// the sizes of type are ours: without this they would be taken for colours
const merge = extendTailwindMerge({
  extend: { classGroups: { "font-size": [{ text: ["label", "base", "lead", "head", "title", "clock"] }] } },
});

/** Joins class names, leaving out what is not there; of two that contradict each other the later stands. */
export const classes = (...names: ClassValue[]): string => merge(clsx(names));
