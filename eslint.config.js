import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';

/** Floors of the core, lowest first. Rooms on one floor do not know each other unless named here. */
const FLOORS = [
  ['quantity', 'standard'],
  ['card', 'board', 'capture'],
  ['plan'],
  ['circuit'],
  ['physics'],
  ['check'],
  ['compare'],
  ['remedy'],
  ['solve'],
  ['layout', 'readback'],
  ['bench'],
  ['deliver'],
  ['say'],
  ['format'],
  ['report'],
];

const floorRules = FLOORS.flatMap((rooms, level) =>
  rooms.map((room) => {
    const above = FLOORS.slice(level + 1).flat();
    const beside = rooms.filter((other) => other !== room);
    return {
      files: [`core/src/${room}/**/*.ts`],
      rules: {
        'no-restricted-imports': [
          'error',
          {
            patterns: [...above, ...beside].map((other) => ({
              group: [`**/${other}/*`],
              message: `${room} is on a floor below or beside ${other} and does not know it.`,
            })),
          },
        ],
      },
    };
  }),
);

const publicIndexOnly = {
  files: ['web/**/*.{ts,svelte}', 'cli/**/*.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: ['@idle-breadboard/core/*', '**/core/src/*'],
            message: 'The core is known through its public index.',
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
  ...floorRules,
  publicIndexOnly,
);
