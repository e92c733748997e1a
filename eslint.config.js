import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

export default ts.config(
    { ignores: ['resources/js/api/schema.d.ts'] },
    ...ts.configs.strict,
    ...vue.configs['flat/recommended'],
    { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
    {
        rules: {
            'no-restricted-imports': [
                'error',
                {
                    patterns: [
                        {
                            group: ['@/features/*/*', '!@/features/*/index'],
                            message: 'Import another feature by its index.',
                        },
                    ],
                },
            ],
            'vue/html-indent': 'off',
            'vue/max-attributes-per-line': 'off',
            'vue/singleline-html-element-content-newline': 'off',
            'vue/multiline-html-element-content-newline': 'off',
            'vue/html-self-closing': 'off',
            'vue/html-closing-bracket-newline': 'off',
            'vue/attributes-order': 'off',
            'vue/multi-word-component-names': 'off',
            'vue/require-default-prop': 'off',
            '@typescript-eslint/no-non-null-assertion': 'off',
        },
    },
)
