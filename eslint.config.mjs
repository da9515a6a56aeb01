import next from "eslint-config-next/core-web-vitals";
import typescript from "eslint-config-next/typescript";

const config = [
  ...next,
  ...typescript,
  {
    rules: {
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_" }],
      "@typescript-eslint/no-explicit-any": "error",
      eqeqeq: "error",
      "max-lines": ["error", { max: 350, skipBlankLines: true }],
    },
  },
  {
    files: ["src/core/**/*.ts"],
    ignores: ["**/*.test.ts"],
    rules: {
      // the core has no clock and no chance of its own
      "no-restricted-properties": [
        "error",
        { object: "Date", property: "now" },
        { object: "Math", property: "random" },
      ],
      "no-restricted-globals": [
        "error",
        "fetch",
        "process",
        "setTimeout",
        "setInterval",
        "crypto",
        "window",
        "document",
      ],
    },
  },
  {
    ignores: [
      ".next/**",
      ".next-test/**",
      "var/**",
      "next-env.d.ts",
      "drizzle/**",
      ".dependency-cruiser.cjs",
      "playwright-report/**",
      "test-results/**",
    ],
  },
];

export default config;
