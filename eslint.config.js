import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript'
import { importX } from 'eslint-plugin-import-x'
import reactHooks from 'eslint-plugin-react-hooks'
import regexp from 'eslint-plugin-regexp'
import tseslint from 'typescript-eslint'

const SOURCES = '**/!(*.test|*.spec).{ts,tsx}'

/** Folders in the order of dependence: each may import those before it, never those behind it. */
const FOLDERS = ['core', 'engine', 'wording', 'server', 'app', 'standins', 'demo', 'bench', 'cli', 'tests']
/** The demo draws papers with what the core and engine know; only its loader speaks to the server. */
const HELD_FOLDERS = 5

/** Stages of the core in the order of the work; a stage knows only those before it. */
const STAGES = [
  'text',
  'lexicon',
  'locale',
  'model',
  'program',
  'layout',
  'matching',
  'ocr',
  'extraction/parsers',
  'extraction/locale',
  'extraction/labels',
  'extraction/scoring',
  'extraction/marks',
  'extraction/tables',
  'extraction/consistency',
  'extraction/fields',
  'classification',
  'answers',
  'dossier',
  'reconciliation',
  'check',
  'findings',
  'ask',
  'mail',
  'receipt',
  'notices',
  'requests',
  'picture-check',
  'pipeline',
  'handover',
  'receivers',
  'testing',
]

/** Folders of the core, in that order; each is entered by its index.ts alone. Tests and their builders look inside. */
const CORE = [...new Set(STAGES.map((stage) => stage.split('/')[0]))]
const FACES = CORE.filter((folder) => folder !== 'testing').map((folder) => ({
  target: [`./!(core|tests)/${SOURCES}`, `./core/!(${folder}|testing)/${SOURCES}`],
  from: `./core/${folder}`,
  except: ['./index.ts'],
  message: `core/${folder}/ is entered by its index.ts.`,
}))

/** Zones by which each folder of a list may not import from those behind it, sub-folders included. */
const zonesOf = (folders, root, held = folders.length - 1) =>
  folders.slice(0, held).map((folder, i) => ({
    target: `${root}${folder}/${SOURCES}`,
    from: folders.slice(i + 1).map((later) => `${root}${later}`),
    message: `${folder}/ comes before what it imports.`,
  }))

export default tseslint.config(
  {
    ignores: [
      'node_modules',
      'build',
      '.react-router',
      '.jigsa',
      'corpora',
      'server/database/migrations',
      '.dependency-cruiser.mjs',
      'bench/left-out-hook.mjs',
    ],
  },
  ...tseslint.configs.recommendedTypeChecked,
  regexp.configs['flat/recommended'],
  {
    languageOptions: {
      parserOptions: {
        projectService: { allowDefaultProject: ['*.js', '.*.js', 'tests/*.js'] },
        tsconfigRootDir: import.meta.dirname,
      },
    },
  },
  {
    plugins: { 'import-x': importX, 'react-hooks': reactHooks },
    settings: { 'import-x/resolver-next': [createTypeScriptImportResolver()] },
    rules: {
      'import-x/no-restricted-paths': [
        'error',
        {
          zones: [
            ...zonesOf(FOLDERS, './', HELD_FOLDERS),
            ...zonesOf(STAGES, './core/'),
            ...zonesOf(CORE, './core/'),
            ...FACES,
          ],
        },
      ],
      // A class of all but a few letters is spelt out by its fix, letter by letter.
      'regexp/negation': 'off',
      // Readers of weak print look for figures in letters and letters in figures on purpose.
      'regexp/no-misleading-capturing-group': 'off',
      'regexp/no-obscure-range': ['error', { allowed: ['alphanumeric', 'À-ÿ'] }],
      'max-params': ['error', { max: 5 }],
      // What is left out of an object is named to be left out.
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
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
  { files: ['**/*.js'], ...tseslint.configs.disableTypeChecked },
)
