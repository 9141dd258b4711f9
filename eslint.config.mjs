import tseslint from 'typescript-eslint'

export default tseslint.config(
  { ignores: ['**/dist/', '**/node_modules/', 'harrow-sound/'] },
  ...tseslint.configs.strict,
  {
    files: ['**/*.ts', '**/*.tsx'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { varsIgnorePattern: '^_', argsIgnorePattern: '^_' },
      ],
      'no-control-regex': 'off',
      eqeqeq: 'error',
    },
  },
  {
    // An identifier never passes through a binary number.
    files: ['packages/*/src/**/*.ts'],
    rules: { 'no-restricted-globals': ['error', 'parseFloat'] },
  },
)
