import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

const why = 'What a page says stands in crates/ground/says/en/pages and is said by its name: text(…), said(…).';
/** What no one reads: names of looks, paths, what went wrong in the code itself. */
const unread = 'JSXAttribute[name.name=/^(className|name|viewBox|transform|preserveAspectRatio)$/]';
const marks = 'VariableDeclarator[id.name=/^(look|marks)$/]';
const read = `:not(${unread}, ${unread} *, NewExpression, NewExpression *, ${marks}, ${marks} *)`;

/** A page has no words of its own: they stand with all the others, so that another vocabulary or language is a file. */
const words = [
  'JSXText[value=/[A-Za-z]{2}/]',
  'JSXAttribute[name.name=/^(aria-label|title|about|label|placeholder|act|how|says|alt)$/] > Literal[value=/[A-Za-z]{2}/]',
  'Property[key.name=/^(says|under|how|label|ask|title|about)$/] > Literal[value=/[A-Za-z]{2}/]',
  `${read} > Literal[value=/[a-z]{2,} [a-z]{2,}/]`,
  `${read} > TemplateElement[value.raw=/[A-Za-z]{2,} | [A-Za-z]{2,}/]`,
].map(selector => ({ selector, message: why }));

export default ts.config(
  ...ts.configs.strict,
  hooks.configs.flat['recommended-latest'],
  { files: ['src/**'], rules: { 'no-restricted-syntax': ['error', ...words] } },
  { ignores: ['src/api/schema.d.ts'] },
);
