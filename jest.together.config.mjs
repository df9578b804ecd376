import one from './jest.config.mjs';

/** How many shares each project’s test files are dealt into: each loads what it tests once, and no processor waits long for the last. */
const SHARES = { web: 2, server: 2, paper: 1, core: 6, cli: 1 };

/** What `npm test` runs: the same tests as jest.config.mjs, several files to an environment. The long ones go first. */
export default {
  projects: Object.entries(SHARES).flatMap(([name, of]) => {
    const project = one.projects.find((p) => p.displayName === name);
    const root = project.roots[0].replace('<rootDir>', import.meta.dirname);
    return Array.from({ length: of }, (_, share) => ({
      ...project,
      displayName: of === 1 ? name : `${name} ${share + 1}/${of}`,
      roots: [...project.roots, '<rootDir>/scripts/unit'],
      testMatch: ['**/together.spec.cjs'],
      moduleFileExtensions: ['ts', 'mjs', 'cjs', 'js', 'html', 'json', 'node'],
      globals: { together: { root, share, of } },
    }));
  }),
};
