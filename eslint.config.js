import { readdirSync } from 'node:fs'
import hooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

const views = readdirSync(new URL('resources/js/views', import.meta.url))

export default tseslint.config(
    { ignores: ['resources/js/api/schema.d.ts'] },
    ...tseslint.configs.strict,
    hooks.configs.flat.recommended,
    {
        files: ['resources/js/**/*.{ts,tsx}', 'tests/Editor/**/*.ts'],
        rules: {
            '@typescript-eslint/no-non-null-assertion': 'error',
            // Virtual rows are never memoised here, which is all that this rule warns of.
            'react-hooks/incompatible-library': 'off',
            '@typescript-eslint/consistent-type-imports': 'error',
            'max-lines': ['error', { max: 250, skipBlankLines: true, skipComments: true }],
        },
    },
    // No view imports another: what two of them need belongs to ui/ or app/.
    ...views.map(view => ({
        files: [`resources/js/views/${view}/**`],
        rules: {
            'no-restricted-imports': [
                'error',
                {
                    patterns: views
                        .filter(other => other !== view)
                        .map(other => ({ group: [`**/views/${other}/**`, `../${other}/**`] })),
                },
            ],
        },
    })),
)
