import prettier from 'eslint-config-prettier'
import importSort from 'eslint-plugin-simple-import-sort'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'

// Who may import whom: .dependency-cruiser.mjs. How a line is laid out: Prettier.

/** Packages, then what is ours from afar, then what is near; styles last. */
const IMPORT_ORDER = [['^\\u0000', '^node:', '^@?\\w', '^@tidy-reel/', '^\\.'], ['\\.css$']]

const typed = {
  files: ['**/*.ts', '**/*.vue'],
  extends: [tseslint.configs.recommendedTypeChecked],
  languageOptions: {
    parserOptions: {
      // One program for all files: a service reads its program anew for every .vue file.
      project: ['./tsconfig.json', './packages/web/tsconfig.json'],
      tsconfigRootDir: import.meta.dirname,
      extraFileExtensions: ['.vue'],
    },
  },
  rules: {
    '@typescript-eslint/no-unnecessary-condition': [
      'error',
      { allowConstantLoopConditions: 'only-allowed-literals' },
    ],
    '@typescript-eslint/no-unused-vars': [
      'error',
      { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
    ],
    // A choice among more than two is a table or a function with a name.
    'no-nested-ternary': 'error',
    // Ours are closures: none asks for `this`.
    '@typescript-eslint/unbound-method': 'off',
    // A function may be async because its interface is.
    '@typescript-eslint/require-await': 'off',
    '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
  },
}

export default tseslint.config(
  {
    ignores: [
      '**/dist/**',
      '**/node_modules/**',
      '.data*/**',
      'packages/engine/assembly/**',
      'test-results/**',
    ],
  },
  tseslint.configs.recommended,
  typed,
  vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser }, globals: globals.browser },
    rules: { 'vue/multi-word-component-names': 'off' },
  },
  {
    // A test may look into an answer as it came; what a component exposes vue-tsc alone knows.
    files: ['**/*.test.ts', 'e2e/**', '**/test/**', '**/*.vue', 'packages/web/src/main.ts'],
    rules: {
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
    },
  },
  {
    plugins: { 'import-sort': importSort },
    rules: {
      'import-sort/imports': ['error', { groups: IMPORT_ORDER }],
      'import-sort/exports': 'error',
    },
  },
  prettier,
)
