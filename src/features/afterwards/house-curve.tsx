"use client";
import { Chart, Filler, LinearScale, LineController, LineElement, PointElement, Tooltip } from "chart.js";
import { useEffect, useRef } from "react";
import { clockTime } from "@/core/time";

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, Tooltip);

const token = (canvas: HTMLElement, name: string): string => getComputedStyle(canvas).getPropertyValue(name).trim();

/**
 * The house curve over the rail: people present at each instant, as exact steps from a zero base line.
 * Under the pointer it says the hour and the count; the figures stand in text below the rail too.
 */
export function HouseCurveLine(props: {
  steps: readonly { at: number; count: number }[];
  peak: number;
  from: number;
  to: number;
  zone: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { steps, peak, from, to, zone } = props;
  useEffect(() => {
    if (!canvas.current) return;
    const action = token(canvas.current, "--action");
    const chart = new Chart(canvas.current, {
      type: "line",
      data: {
        datasets: [
          {
            data: steps.map((step) => ({ x: step.at, y: step.count })),
            stepped: "before",
            borderColor: action,
            borderWidth: 1.5,
            backgroundColor: `${action}29`,
            fill: "origin",
            pointRadius: 0,
            pointHitRadius: 6,
          },
        ],
      },
      options: {
        responsive: true,
        maintainAspectRatio: false,
        animation: false,
        parsing: false,
        layout: { padding: 0 },
        interaction: { mode: "nearest", axis: "x", intersect: false },
        scales: {
          x: { type: "linear", display: false, min: from, max: to },
          // the names of the segments stand above its highest place
          y: { display: false, min: 0, max: peak * 1.36 },
        },
        plugins: {
          tooltip: {
            displayColors: false,
            callbacks: {
              title: () => "",
              label: ({ parsed }) => `${clockTime(parsed.x ?? from, zone)} · ${parsed.y} in the audience`,
            },
          },
        },
      },
    });
    return () => chart.destroy();
  }, [steps, peak, from, to, zone]);
  if (steps.length === 0 || peak === 0) return null;
  return (
    <div className="absolute inset-0">
      <canvas ref={canvas} aria-hidden />
    </div>
  );
}
