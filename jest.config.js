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
  '<rootDir>/engine/ocr/{merge-engines,read-scan,recognise-regions}.test.ts',
  '<rootDir>/cli/process.test.ts',
]

/** Unit tests stand beside their code; what needs a database is in tests/integration. */
export default {
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: [
        '<rootDir>/{core,engine,server,app,standins,bench,demo,cli}/**/*.test.ts',
        '<rootDir>/tests/verdict/*.test.ts',
        ...ENGINES.map((suite) => `!${suite}`),
      ],
    },
    { ...shared, displayName: 'engines', testMatch: ENGINES },
    { ...shared, displayName: 'integration', testMatch: ['<rootDir>/tests/integration/**/*.test.ts'] },
  ],
}
