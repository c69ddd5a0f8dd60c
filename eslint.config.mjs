import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'

// Templates, and their scripts without types. All else: .oxlintrc.json, scripts/lint.mjs.
export default tseslint.config(
  { ignores: ['**/*.ts', '**/*.mjs'] },
  vue.configs['flat/recommended'],
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser }, globals: globals.browser },
    rules: { 'vue/multi-word-component-names': 'off' },
  },
  prettier,
)
