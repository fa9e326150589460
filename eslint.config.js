import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

/** Who may import whom inside the core is held by .dependency-cruiser.cjs. */
const facesOnly = {
  files: ['web/**/*.{ts,svelte}', 'cli/**/*.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: ['**/core/src/*'],
            message: 'The core is known through its faces, @idle-breadboard/core/…',
          },
        ],
      },
    ],
  },
};

export default ts.config(
  { ignores: ['**/node_modules/', 'web/build/', 'web/.svelte-kit/', 'coverage/', 'e2e/results/', '.cache/'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...svelte.configs['flat/recommended'],
  {
    languageOptions: { globals: { ...globals.node } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      eqeqeq: 'error',
    },
  },
  { files: ['web/src/**/*.{ts,svelte}'], languageOptions: { globals: { ...globals.browser } } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: {
      'svelte/no-navigation-without-resolve': 'off',
      // State is replaced whole ($state.raw), so maps and dates inside it never change in place.
      'svelte/prefer-svelte-reactivity': 'off',
    },
  },
  // Parts of this script run inside the page.
  {
    files: ['scripts/lib/bench-edits.mjs', 'scripts/lib/bench-sweep.mjs'],
    languageOptions: { globals: { ...globals.browser } },
  },
  { files: ['core/test/**', 'cli/test/**', 'e2e/**'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
  facesOnly,
);
