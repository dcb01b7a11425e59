const shared = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          experimental: { keepImportAttributes: true },
        },
        module: { type: 'es6' },
      },
    ],
  },
  testEnvironment: 'node',
  modulePathIgnorePatterns: ['<rootDir>/build', '<rootDir>/.jigsa'],
}

/** Suites that start real OCR engines; they take seconds a page. */
const ENGINES = [
  'engine/box/pool.test.ts',
  'engine/ocr/merge-engines.test.ts',
  'engine/ocr/read-scan.test.ts',
  'engine/ocr/recognise-regions.test.ts',
  'cli/process.test.ts',
  'tests/hostile/hostile.test.ts',
]

/**
 * Unit tests stand beside their code; what needs a database is in tests/integration. Unit tests run in plain
 * processes (Node.js loads their TypeScript by `--import tsx`), the others each in a context of its own.
 */
export default {
  maxWorkers: '100%',
  projects: [
    {
      ...shared,
      displayName: 'unit',
      // In a context of its own each test pays for every global it uses: large ones took eight times as long.
      runner: ['jest-light-runner', { runtime: 'child_process' }],
      testPathIgnorePatterns: ['/node_modules/', ...ENGINES.map((suite) => suite.replaceAll('.', '\\.'))],
      testMatch: [
        '<rootDir>/{core,engine,wording,server,app,standins,bench,demo,cli}/**/*.test.ts',
        '<rootDir>/tests/verdict/*.test.ts',
      ],
    },
    { ...shared, displayName: 'engines', testMatch: ENGINES.map((suite) => `<rootDir>/${suite}`) },
    { ...shared, displayName: 'integration', testMatch: ['<rootDir>/tests/integration/**/*.test.ts'] },
  ],
}
