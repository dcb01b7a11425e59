/** Circles of imports, types among them, which the rule of the linter does not see. */
export default {
  forbidden: [
    {
      name: 'no-circle',
      severity: 'error',
      comment:
        'What two files need of one another belongs into a third (a types.ts, where it is types alone).',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\+types/|server/database/migrations' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.json'] },
  },
}
