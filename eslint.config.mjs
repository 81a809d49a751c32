import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';
import tseslint from 'typescript-eslint';

const config = [
  {
    ignores: [
      '.next*/**',
      '.data/**',
      'public/worklets/**',
      'next-env.d.ts',
      'coverage/**',
      'playwright-report/**',
      'test-results/**',
    ],
  },
  ...next,
  ...typescript,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      eqeqeq: 'error',
      'no-console': ['error', { allow: ['error'] }],
      'no-nested-ternary': 'error',
    },
  },
  // A page of it is read at once: no line, no file, no component longer than that. Texts may be, they are not broken.
  {
    files: ['src/**/*.{ts,tsx}'],
    rules: {
      'max-len': [
        'error',
        { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true, ignoreUrls: true },
      ],
      'max-lines': ['error', 300],
    },
  },
  { files: ['src/**/*.tsx'], rules: { 'max-lines-per-function': ['error', 150] } },
  // What only the types can tell: promises nobody waits for, and assertions that say nothing.
  {
    files: ['src/**/*.{ts,tsx}', 'e2e/**/*.ts'],
    languageOptions: { parser: tseslint.parser, parserOptions: { projectService: true } },
    plugins: { '@typescript-eslint': tseslint.plugin },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
    },
  },
  // The core brings no clock and no randomness of its own: a seed or a time is an argument.
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'performance',
        'process',
        'setTimeout',
        'localStorage',
        'crypto',
        'fetch',
      ],
    },
  },
  { files: ['scripts/**', 'bench/**'], rules: { 'no-console': 'off' } },
];

export default config;
