import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript'
import { importX } from 'eslint-plugin-import-x'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

/** Folders in the order of dependence: each may import those before it, never those behind it. */
const ORDER = ['core', 'engine', 'server', 'app', 'standins', 'demo', 'bench', 'cli', 'tests']
/** The demo draws papers with what the core and engine know; only its loader speaks to the server. */
const forbidden = ORDER.slice(0, 4).map((folder, i) => ({
  target: `./${folder}/**/!(*.test).{ts,tsx}`,
  from: ORDER.slice(i + 1).map((f) => `./${f}`),
  message: `${folder}/ must not import from folders that depend on it.`,
}))

/** Stages of the core in the order of the work; a stage knows only those before it. */
const STAGES = [
  'page',
  'program',
  'read',
  'split',
  'answers',
  'match',
  'check',
  'findings',
  'ask',
  'handover',
]
const stages = STAGES.slice(0, -1).map((stage, i) => ({
  target: `./core/${stage}/!(*.test).ts`,
  from: STAGES.slice(i + 1).map((s) => `./core/${s}`),
  message: `core/${stage} comes before what it imports.`,
}))

export default tseslint.config(
  { ignores: ['node_modules', 'build', '.react-router', '.jigsa', 'corpora', 'server/database/migrations'] },
  ...tseslint.configs.recommendedTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        projectService: { allowDefaultProject: ['*.js', 'tests/*.js'] },
        tsconfigRootDir: import.meta.dirname,
      },
    },
  },
  {
    plugins: { 'import-x': importX, 'react-hooks': reactHooks },
    settings: { 'import-x/resolver-next': [createTypeScriptImportResolver()] },
    rules: {
      'import-x/no-restricted-paths': ['error', { zones: [...forbidden, ...stages] }],
      'import-x/no-cycle': 'error',
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/only-throw-error': 'off', // routes throw responses
    },
  },
  {
    // The core computes and does nothing else: no input, no output, no framework.
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['node:*', 'react*', 'drizzle*', 'pg', 'sharp'],
              message: 'The core has no input, output or framework.',
            },
          ],
        },
      ],
      'no-restricted-globals': ['error', 'process', 'console', 'fetch', 'setTimeout'],
    },
  },
  { files: ['*.js'], ...tseslint.configs.disableTypeChecked },
)
