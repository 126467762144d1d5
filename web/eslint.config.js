import reactHooks from "eslint-plugin-react-hooks";
import reactRefresh from "eslint-plugin-react-refresh";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["dist", "target", "src/api/generated/schema.d.ts"] },
  ...tseslint.configs.strict,
  reactHooks.configs.flat.recommended,
  reactRefresh.configs.vite,
  {
    rules: {
      "max-lines": ["error", { max: 200, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ["src/words/*.ts", "**/*.test.tsx", "src/__tests__/*"],
    rules: { "max-lines": "off", "react-refresh/only-export-components": "off" },
  },
);
