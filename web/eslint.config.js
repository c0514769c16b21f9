import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

// Each folder imports only from those before it; screens do not know each other.
const LAYERS = ['kit', 'api', 'drawing', 'edits', 'shared', 'screens', 'shell'];

const refused = (regex, message) => ({ patterns: [{ regex, message }] });

const DIRECTION = LAYERS.map((folder, index) => {
  const above = LAYERS.slice(index + 1).join('|');
  return {
    files: [`src/${folder}/**`],
    rules: {
      'no-restricted-imports': [
        'error',
        above
          ? refused(`^(\\.\\./)+(${above})/`, `${folder}/ lies below what this imports.`)
          : { patterns: [] },
      ],
    },
  };
});

const SCREENS_APART = {
  files: ['src/screens/*/*'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          { regex: '^(\\.\\./)+shell/', message: 'screens/ lies below what this imports.' },
          {
            regex: '^\\.\\./(?!\\.\\./)',
            message: 'A screen does not know another: what both need belongs in shared/.',
          },
        ],
      },
    ],
  },
};

export default ts.config(
  { ignores: ['src/api/schema.gen.ts'] },
  js.configs.recommended,
  ...ts.configs.strictTypeChecked,
  {
    languageOptions: { parserOptions: { project: './tsconfig.json' } },
    plugins: { 'react-hooks': hooks },
    rules: {
      ...hooks.configs.recommended.rules,
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
    },
  },
  ...DIRECTION,
  SCREENS_APART,
);
