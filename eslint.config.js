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

/** What needs types to be seen: a promise that nobody waits for, a case that nobody thought of, a value that is anything. */
const typed = {
  '@typescript-eslint/no-floating-promises': 'error',
  '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
  '@typescript-eslint/await-thenable': 'error',
  '@typescript-eslint/require-await': 'error',
  '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
  '@typescript-eslint/no-unnecessary-type-assertion': 'error',
  '@typescript-eslint/no-base-to-string': 'error',
  '@typescript-eslint/restrict-plus-operands': 'error',
};
const unsafe = {
  '@typescript-eslint/no-unsafe-argument': 'error',
  '@typescript-eslint/no-unsafe-assignment': 'error',
  '@typescript-eslint/no-unsafe-call': 'error',
  '@typescript-eslint/no-unsafe-member-access': 'error',
  '@typescript-eslint/no-unsafe-return': 'error',
};
const withTypes = { projectService: true, tsconfigRootDir: import.meta.dirname, extraFileExtensions: ['.svelte'] };

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
  // A function that does not fit a screen, and a file that nobody reads to its end, are two of something.
  {
    files: ['core/src/**', 'web/src/**', 'cli/src/**'],
    rules: {
      'max-lines-per-function': ['error', { max: 79 }],
      'max-lines': ['error', { max: 349 }],
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
  {
    files: ['core/src/**/*.ts', 'cli/src/**/*.ts'],
    languageOptions: { parserOptions: withTypes },
    rules: { ...typed, ...unsafe },
  },
  {
    files: ['web/src/**/*.{ts,svelte}'],
    ignores: ['web/src/service-worker.ts'],
    languageOptions: { parserOptions: withTypes },
    rules: typed,
  },
  // Parts of this script run inside the page.
  {
    files: ['scripts/lib/bench-edits.mjs', 'scripts/lib/bench-sweep.mjs'],
    languageOptions: { globals: { ...globals.browser } },
  },
  { files: ['core/test/**', 'cli/test/**', 'e2e/**'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
  facesOnly,
);
