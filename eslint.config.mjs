import next from 'eslint-config-next/core-web-vitals';
import typescript from 'eslint-config-next/typescript';

const config = [
  { ignores: ['.next/**', 'node_modules/**', 'data/**', '.test/**', 'next-env.d.ts'] },
  ...next,
  ...typescript,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      eqeqeq: 'error',
    },
  },
  {
    files: ['src/ui/**', 'src/app/**'],
    rules: {
      // A handler that gives an action on, as one of a hook or a form, leaves it to whoever calls it.
      'no-restricted-syntax': [
        'error',
        ...[
          'AwaitExpression >',
          'UnaryExpression[operator="void"] >',
          'ExpressionStatement >',
          'JSXAttribute[name.name="onClick"] > JSXExpressionContainer > ArrowFunctionExpression >',
          'MemberExpression[property.name="then"] >',
        ].map((where) => ({
          selector: `${where} CallExpression[callee.name=/^[a-z]\\w*Action$/]`,
          message: 'Use replyTo(…Action(…)): a server that does not answer is a refusal like others.',
        })),
      ],
    },
  },
  {
    files: ['src/**'],
    ignores: ['src/ui/parts/Link.tsx'],
    rules: {
      'no-restricted-imports': ['error', { name: 'next/link', message: 'Use ui/parts/Link: it fetches nothing before it is followed.' }],
    },
  },
];

export default config;
