/** Native ES modules through SWC; core, cli and server in Node, web in jsdom. */
const common = {
  rootDir: import.meta.dirname,
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^@rough-bight/core/(.*)$': '<rootDir>/core/src/$1/index.ts', '^(\\.{1,2}/.*)\\.js$': '$1' },
};
const swc = (decorators) => [
  '<rootDir>/scripts/jest-swc.mjs',
  {
    jsc: {
      parser: { syntax: 'typescript', tsx: !decorators, decorators },
      transform: decorators
        ? { legacyDecorator: true, decoratorMetadata: true, useDefineForClassFields: false }
        : { react: { runtime: 'automatic' } },
      target: 'es2022',
      keepClassNames: true,
    },
    module: { type: 'es6' },
  },
];

export default {
  // a worker for every core, made anew before its memory grows large
  maxWorkers: '100%',
  workerIdleMemoryLimit: '1GB',
  projects: [
    {
      ...common,
      displayName: 'core',
      testMatch: ['<rootDir>/core/test/**/*.test.ts'],
      transform: { '\\.tsx?$': swc(false) },
    },
    {
      ...common,
      displayName: 'cli',
      testMatch: ['<rootDir>/cli/test/**/*.test.ts'],
      transform: { '\\.tsx?$': swc(false) },
    },
    {
      ...common,
      displayName: 'server',
      testMatch: ['<rootDir>/server/test/**/*.test.ts'],
      transform: { '\\.tsx?$': swc(true) },
    },
    {
      ...common,
      displayName: 'web',
      testEnvironment: 'jsdom',
      setupFiles: ['<rootDir>/web/test/setup.ts'],
      setupFilesAfterEnv: ['<rootDir>/web/test/patience.ts'],
      testMatch: ['<rootDir>/web/test/**/*.test.{ts,tsx}'],
      transform: { '\\.tsx?$': swc(false) },
    },
  ],
};
