import globals from 'globals'
import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'

/** Imports go one way: web → core; cli, server → engine → core; standins stand alone. */
const FORBIDDEN = {
  core: ['engine', 'server', 'web', 'cli', 'standins'],
  engine: ['server', 'web', 'cli', 'standins'],
  server: ['web', 'cli', 'standins'],
  web: ['engine', 'server', 'cli', 'standins'],
  cli: ['server', 'web', 'standins'],
  standins: ['core', 'engine', 'server', 'web', 'cli'],
}
const arrow = ([name, others]) => ({
  files: [`packages/${name}/src/**/*.{ts,vue}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: others.flatMap((other) => [`@tidy-reel/${other}/*`, `**/packages/${other}/**`]),
            message: `${name} may not import this: imports go one way.`,
          },
          ...(name === 'core'
            ? [{ group: ['node:*', 'fs', 'path'], message: 'core has no I/O.' }]
            : []),
        ],
      },
    ],
  },
})

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
  ...tseslint.configs.recommended,
  ...vue.configs['flat/essential'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser }, globals: globals.browser },
  },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
    },
  },
  ...Object.entries(FORBIDDEN).map(arrow),
)
