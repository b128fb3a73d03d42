import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import typescript from 'typescript-eslint'

export default typescript.config(
    { ignores: ['scripts', 'dist', 'src/api/schema.d.ts', 'test-results', 'playwright-report'] },
    ...typescript.configs.strict,
    ...vue.configs['flat/recommended'],
    {
        files: ['**/*.vue', '**/*.ts'],
        languageOptions: { globals: globals.browser, parserOptions: { parser: typescript.parser } },
        rules: {
            '@typescript-eslint/no-non-null-assertion': 'off',
            '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_' }],
            'max-lines': ['error', { max: 260, skipBlankLines: true, skipComments: true }],
        },
    },
    prettier,
)
