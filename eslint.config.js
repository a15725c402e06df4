import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const PURE = 'core has no clock, no randomness and no I/O; pass it in.';

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'server/drizzle/**', '.dewpond*/**', 'benchmarks/results/**'] },
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: {
      // One program for all: each workspace's own would check the core again.
      parserOptions: { project: './tsconfig.tests.json', tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/no-confusing-void-expression': [
        'error',
        { ignoreArrowShorthand: true, ignoreVoidReturningFunctions: true },
      ],
      '@typescript-eslint/triple-slash-reference': 'off',
      '@typescript-eslint/only-throw-error': [
        'error',
        { allow: [{ from: 'package', package: 'react-router', name: 'Response' }] },
      ],
      eqeqeq: 'error',
      'no-console': 'off',
    },
  },
  {
    files: ['core/src/**/*.ts', 'contract/src/**/*.ts'],
    ignores: ['**/*.test.ts', '**/tests/**'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...['process', 'fetch', 'setTimeout', 'setInterval', 'window', 'document'].map((name) => ({
          name,
          message: PURE,
        })),
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: PURE },
        { object: 'Math', property: 'random', message: PURE },
        { object: 'performance', property: 'now', message: PURE },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: PURE },
      ],
    },
  },
  {
    files: ['**/*.test.ts', '**/*.test.tsx', '**/tests/**', 'e2e/**'],
    rules: { '@typescript-eslint/no-unsafe-assignment': 'off', '@typescript-eslint/no-unsafe-member-access': 'off' },
  },
  { files: ['web/**/*.tsx', 'web/**/*.ts'], ...hooks.configs.flat['recommended-latest'] },
);
