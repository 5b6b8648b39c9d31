import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'
import vueParser from 'vue-eslint-parser'
import accessibility from 'eslint-plugin-vuejs-accessibility'

export default tseslint.config(
  { ignores: ['dist', 'target', 'node_modules', 'src/shared/api/schema.d.ts'] },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/essential'],
  ...accessibility.configs['flat/recommended'],
  {
    files: ['**/*.vue', '**/*.ts'],
    languageOptions: { parser: vueParser, parserOptions: { parser: tseslint.parser } },
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/no-v-html': 'error',
      'vuejs-accessibility/label-has-for': [
        'error',
        {
          controlComponents: ['BFormInput', 'BFormSelect', 'BFormTextarea', 'BFormFile'],
          required: { some: ['nesting', 'id'] },
        },
      ],
      // a page whose one purpose is its first field begins there
      'vuejs-accessibility/no-autofocus': 'off',
      'vue/no-mutating-props': ['error', { shallowOnly: true }],
    },
  },
)
