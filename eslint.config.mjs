import withNuxt from './.nuxt/eslint.config.mjs'

// The lint kit counts on a function that Node.js 20 does not have yet.
Object.groupBy ??= (items, keyOf) => {
  const groups = {}
  for (const item of items) (groups[keyOf(item)] ??= []).push(item)
  return groups
}

/** Who may import whom: core stands alone; app and server meet only in core. */
const never = (files, group, message, ignores = []) => ({
  files,
  ignores,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] },
})

const outsideCore = [
  'vue',
  'vue-*',
  'pinia',
  'nuxt*',
  '@nuxt/*',
  '@vueuse/*',
  'drizzle-orm*',
  '@electric-sql/*',
  'h3',
  '~/*',
  '#imports',
  '**/app/**',
  '**/server/**',
]

export default withNuxt(
  { ignores: ['.output/**', 'server/database/migrations/**', 'reports/**', '.stryker-tmp/**'] },
  never(['core/**/*.ts'], [...outsideCore, 'node:*'], 'core is computation alone: no interface, no server, no clock.', [
    '**/*.test.ts',
  ]),
  // Tests run beside the files they read.
  never(['core/**/*.test.ts'], outsideCore, 'core is computation alone: no interface, no server.'),
  never(
    ['app/**/*.{ts,vue}'],
    ['**/server/**', 'drizzle-orm*', '@electric-sql/*', 'node:*'],
    'app and server meet only in core.',
    ['**/*.test.ts'],
  ),
  never(['app/**/*.test.ts'], ['**/server/**', 'drizzle-orm*', '@electric-sql/*'], 'app and server meet only in core.'),
  never(['server/**/*.ts'], ['**/app/**', '~/*', 'vue', 'pinia'], 'app and server meet only in core.'),
  {
    // Not the components: the whole program would be read anew for each of them, minutes in all. Core has no
    // asynchronous code, as the rules below see to.
    files: ['{app,server,tests}/**/*.ts', 'core/exchange/**/*.test.ts'],
    languageOptions: { parserOptions: { project: './tsconfig.lint.json' } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
    },
  },
  {
    files: ['core/**/*.ts'],
    ignores: ['core/exchange/**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: ':function[async=true], Identifier[name="Promise"]', message: 'Core has no asynchronous code.' },
      ],
    },
  },
  {
    files: ['{app,core,server,tests}/**/*.ts'],
    rules: {
      'max-len': [
        'error',
        { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true, ignoreUrls: true },
      ],
    },
  },
  {
    files: ['**/*.vue'],
    rules: {
      // The formatter says how a template is laid out; class lists are one string each.
      'max-len': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/multi-word-component-names': 'off',
    },
  },
)
