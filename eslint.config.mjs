import next from 'eslint-config-next';
import prettier from 'eslint-config-prettier';
import { defineConfig, globalIgnores } from 'eslint/config';
import tseslint from 'typescript-eslint';

const COMPONENTS = ['src/{app,ui}/**/*.{ts,tsx}', '**/*.mjs'];

export default defineConfig([
  globalIgnores(['.next/**', 'next-env.d.ts', 'data/**', '.demo-data/**', 'test-results/**']),
  // Rules of components are asked of what has components: elsewhere they find nothing and take a third of the time.
  ...next.map((each) => (each.files ? { ...each, files: COMPONENTS } : each)),
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [tseslint.configs.strictTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
    },
  },
  {
    files: ['**/*.test.ts', 'tests/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  { files: ['**/*.mjs'], rules: { 'import/no-anonymous-default-export': 'off' } },
  prettier,
]);
