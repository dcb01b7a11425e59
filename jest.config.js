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

/** Unit tests stand beside their code; what needs a database is in tests/integration. */
export default {
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: [
        '<rootDir>/{core,engine,server,app,bench,demo,cli}/**/*.test.ts',
        '<rootDir>/tests/verdict/*.test.ts',
      ],
    },
    { ...shared, displayName: 'integration', testMatch: ['<rootDir>/tests/integration/**/*.test.ts'] },
  ],
}
