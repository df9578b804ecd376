/** Node’s own module of it is none for Jest. */
const PACKER = {
  '^maxrects-packer/dist/maxrects-packer.mjs$': '<rootDir>/node_modules/maxrects-packer/dist/maxrects-packer.js',
};

/** Three projects: the core and server in Node, the web in a browser-like page. */
const node = (name, root) => ({
  displayName: name,
  rootDir: '.',
  roots: [root],
  testEnvironment: 'node',
  testMatch: ['**/*.spec.ts'],
  transform: { '^.+\\.ts$': '<rootDir>/scripts/jest-esbuild.cjs' },
  moduleNameMapper: {
    '^@core/(.*)$': '<rootDir>/packages/core/src/$1',
    '^@paper/(.*)$': '<rootDir>/packages/paper/src/$1',
    ...PACKER,
  },
});

export default {
  projects: [
    node('core', '<rootDir>/packages/core/src'),
    node('paper', '<rootDir>/packages/paper/src'),
    node('server', '<rootDir>/apps/server/src'),
    node('cli', '<rootDir>/apps/cli/src'),
    {
      displayName: 'web',
      rootDir: '.',
      roots: ['<rootDir>/apps/web/src'],
      preset: 'jest-preset-angular',
      setupFilesAfterEnv: ['<rootDir>/apps/web/jest.setup.ts', '<rootDir>/apps/web/jest.icons.ts'],
      transform: {
        '/packages/core/.+\\.ts$': '<rootDir>/scripts/jest-esbuild.cjs',
        '^.+\\.(ts|mjs|js|html|svg)$': [
          'jest-preset-angular',
          { tsconfig: '<rootDir>/apps/web/tsconfig.spec.json', stringifyContentPathRegex: '\\.(html|svg)$' },
        ],
      },
      moduleNameMapper: {
        '^\\./options-chart$': '<rootDir>/apps/web/src/app/testing/no-chart.ts',
        '/workers/start$': '<rootDir>/apps/web/src/app/testing/workers.ts',
        '^@core/(.*)$': '<rootDir>/packages/core/src/$1',
        ...PACKER,
      },
    },
  ],
};
