import next from "eslint-config-next/core-web-vitals";
import typescript from "eslint-config-next/typescript";

const size = (functionLines) => ({
  "max-lines": ["error", { max: 250, skipBlankLines: true, skipComments: true }],
  "max-lines-per-function": ["error", { max: functionLines, skipBlankLines: true, skipComments: true }],
});

/** What only the kit may write: everything else takes the part from `src/ui`. */
const kitOnly = [
  ["JSXOpeningElement[name.name='select']", "Take Select or Combobox from @/ui."],
  ["JSXOpeningElement[name.name='button']", "Take Button, IconButton, TextButton or Press from @/ui."],
  ["JSXOpeningElement[name.name='table']", "Take Table from @/ui."],
  ["JSXOpeningElement[name.name='textarea']", "Take Textarea from @/ui."],
  [
    // what nobody sees, a slider and a colour well have no face of ours
    "JSXOpeningElement[name.name='input']:not(:has(JSXAttribute[name.name='type'][value.value=/^(hidden|range|color)$/]))",
    "Take Input, Upload, DateInput, Checkbox, Switch or Radio from @/ui.",
  ],
].map(([selector, message]) => ({ selector, message }));

const config = [
  ...next,
  ...typescript,
  {
    rules: {
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_" }],
      "@typescript-eslint/no-explicit-any": "error",
      eqeqeq: "error",
      // pictures are made by us in their final size: the framework's image service would only copy them
      "@next/next/no-img-element": "off",
    },
  },
  { files: ["**/*.ts", "**/*.mjs"], rules: size(60) },
  { files: ["**/*.tsx"], rules: size(100) },
  // a `describe` is a folder of tests, not a function: the file's length bounds it
  {
    files: ["**/*.test.ts", "**/*.spec.ts"],
    rules: {
      "max-lines-per-function": "off",
      "max-lines": ["error", { max: 480, skipBlankLines: true, skipComments: true }],
    },
  },
  // one file a language, so that a translator has all of it before them
  { files: ["src/app/**/*.tsx", "src/features/**/*.tsx"], rules: { "no-restricted-syntax": ["error", ...kitOnly] } },
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
