import { expect, it } from "vitest";
import type { PageBeside } from "@/core/watching";
import { pageAt, pagesAround } from "./pages-beside";

const page = (number: number, startSeconds: number, endSeconds: number): PageBeside => ({
  pictureId: `p${number}`,
  page: number,
  pageCount: 9,
  startSeconds,
  endSeconds,
});
const pages = [page(1, 10, 20), page(2, 20, 30), page(1, 50, 60)];

it("the page of an instant is the one that stood then: its first second belongs to it, its last does not", () => {
  expect([0, 10, 19.9, 20, 30, 49, 59.9, 60].map((at) => pageAt(pages, at))).toEqual([-1, 0, 0, 1, -1, -1, 2, -1]);
});
it("turning goes to the page before and to the next, also from where none stands", () => {
  const around = (at: number) => {
    const { before, next } = pagesAround(pages, at);
    return [before?.startSeconds ?? null, next?.startSeconds ?? null];
  };
  expect([0, 15, 25, 40, 55, 70].map(around)).toEqual([
    [null, 10],
    [null, 20],
    [10, 50],
    [20, 50],
    [20, null],
    [50, null],
  ]);
});
