export default {
  semi: false,
  singleQuote: true,
  printWidth: 120,
  arrowParens: 'always',
  vueIndentScriptAndStyle: false,
}
